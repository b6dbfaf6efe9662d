import { renderHook } from '@testing-library/react-native';
import { headSheet, Technician } from '@stennet/core/testing';
import { createFormatter } from '@stennet/core/quantity';
import { next } from '@stennet/core/run';
import type { Hands } from '@/platform/hands';
import { beep } from '@/platform/sound';
import { speak } from '@/platform/speech';
import { vibrate } from '@/platform/vibrate';
import { lineFor, useHandsFree } from './useHandsFree';

jest.mock('@/platform/sound', () => ({ beep: jest.fn() }));
jest.mock('@/platform/speech', () => ({ speak: jest.fn(), hush: jest.fn() }));
jest.mock('@/platform/vibrate', () => ({ vibrate: jest.fn() }));
jest.mock('@/data', () => ({}));

const format = createFormatter({
  locale: 'en-GB',
  timeZone: 'UTC',
  paper: 'A4',
  torqueUnit: 'N.m',
});
const ALL: Hands = { sound: true, speech: true, vibration: true, huge: false };
const NONE: Hands = { sound: false, speech: false, vibration: false, huge: false };

const atFirstPull = (): Technician => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'pull');
  return t;
};
const shown = (t: Technician, hands: Hands, refused: unknown = null, active = true) => ({
  state: t.state,
  seen: t.state.sheet,
  due: next(t.state),
  hands,
  format,
  refused,
  active,
});
beforeEach(() => jest.clearAllMocks());

test('a confirmation is heard, felt and followed by the next one in words; opening the screen is not', () => {
  const t = atFirstPull();
  const { rerender } = renderHook(useHandsFree, { initialProps: shown(t, ALL) });
  expect(beep).not.toHaveBeenCalled();
  expect(speak).not.toHaveBeenCalled();
  t.step();
  rerender(shown(t, ALL));
  expect(beep).toHaveBeenCalledWith('taken');
  expect(vibrate).toHaveBeenCalledWith(30);
  expect(speak).toHaveBeenCalledWith(
    expect.stringMatching(/^bolt 2, .*(inch-pounds|newton metres)/),
  );
});

test('what was not taken sounds otherwise, and nothing is done by what is switched off, or while someone else holds the run', () => {
  const t = atFirstPull();
  const { rerender } = renderHook(useHandsFree, { initialProps: shown(t, ALL) });
  rerender(shown(t, ALL, new Error('no')));
  expect(beep).toHaveBeenLastCalledWith('notTaken');
  jest.clearAllMocks();
  for (const [hands, active] of [
    [NONE, true],
    [ALL, false],
  ] as const) {
    const quiet = renderHook(useHandsFree, { initialProps: shown(t, hands, null, active) });
    t.step();
    quiet.rerender(shown(t, hands, null, active));
  }
  expect([beep, speak, vibrate].map((f) => (f as jest.Mock).mock.calls.length)).toEqual([0, 0, 0]);
});

test('signs are spoken as words', () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'pull' && d.task.action === 'angle');
  expect(lineFor(t.state.sheet, next(t.state), format)).toMatch(/75 degrees/);
});
