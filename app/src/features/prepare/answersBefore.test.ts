import { act, renderHook } from '@testing-library/react-native';
import type { JointSheet } from '@stennet/core/contract/work';
import { demoSheet, headSheet } from '@stennet/core/testing';
import { keepAnswers, originBefore, useAnswersBefore } from './answersBefore';

const caps = { joint: 'caps', sheet: demoSheet('ob20-rod-caps') } as JointSheet;
const [question] = caps.sheet.tellApart.map((t) => t.question);
const keep: typeof keepAnswers = (...args) => act(() => keepAnswers(...args));
const before = (data: JointSheet, person = 'mei') =>
  renderHook(() => useAnswersBefore(data, person)).result.current;

test('what was answered for one cap is known for the next of the same joint by the same sheet, and for nothing else', () => {
  expect(before(caps)).toBeNull();
  const answers = { [question ?? '']: 'from then on' };
  keep(caps, 'mei', answers);
  expect(before(caps)).toEqual(answers);
  // No one says that someone else has looked.
  expect(before(caps, 'jonah')).toBeNull();
  expect(before({ ...caps, joint: 'others' })).toBeNull();
  expect(before({ ...caps, sheet: { ...caps.sheet, revision: 'C' } })).toBeNull();
  expect(before({ ...caps, sheet: demoSheet('ob20-rod-caps-early') })).toBeNull();
});

test('a joint that occurs once is looked at each time; nothing answered is nothing known', () => {
  const head = { joint: 'head', sheet: headSheet } as JointSheet;
  keep(head, 'mei', { x: 'y' });
  expect(before(head)).toBeNull();
  expect(before(caps)).toBeNull();
  keep(caps, 'mei', {});
  expect(before(caps)).toBeNull();
});

test('whose hardware it is holds for every cap; what else was told apart is asked again', () => {
  const sheet = {
    ...caps.sheet,
    tellApart: [
      ...caps.sheet.tellApart,
      { about: 'origin' as const, question: 'Original or kit?', answers: [] },
    ],
  };
  const before = { [question ?? '']: 'from then on', 'Original or kit?': 'kit' };
  expect(originBefore(sheet, before)).toEqual({ 'Original or kit?': 'kit' });
  expect(originBefore(sheet, null)).toEqual({});
});
