import { bearingOf, Handle, heldDegS, wayRound } from './handle';
import { EFFORT, effortPaths } from './effort';

test('a finger round the bolt is an angle, the shorter way also over the top', () => {
  expect(bearingOf(0, -10)).toBe(0);
  expect(bearingOf(10, 0)).toBe(90);
  expect(bearingOf(-10, 0)).toBe(-90);
  expect(wayRound(170, -170)).toBe(20);
  expect(wayRound(-170, 170)).toBe(-20);
  expect(wayRound(0, 350)).toBe(-10);
});

test('the handle goes in whole quarter degrees, and loses nothing between them', () => {
  const handle = new Handle(undefined);
  const steps = Array.from({ length: 100 }, () => handle.by(0.1));
  expect(steps.reduce((a, b) => a + b, 0)).toBe(40);
  expect(handle.at).toBe(10);
  expect(handle.by(-10)).toBe(-40);
});

test('without room it stops, and swings back from there', () => {
  const handle = new Handle(40);
  expect(handle.by(100)).toBe(160);
  expect([handle.isAtEnd, handle.by(5)]).toEqual([true, 0]);
  expect(handle.by(-100)).toBe(-160);
  expect(handle.at).toBe(0);
});

test('a held key slows down where the pull is nearly done', () => {
  expect(heldDegS(0)).toBe(60);
  expect(heldDegS(1)).toBe(16);
  expect(heldDegS(3)).toBe(heldDegS(1));
});

test('this pull and the one before are drawn on one scale', () => {
  const { now, before } = effortPaths(
    [
      { deg: 0, nm: 0 },
      { deg: 20, nm: 30 },
    ],
    [
      { deg: 0, nm: 0 },
      { deg: 80, nm: 30 },
    ],
  );
  expect(now.startsWith(`M0.0 ${EFFORT.height.toFixed(1)}L30.0`)).toBe(true);
  expect(before).toContain('L120.0');
});
