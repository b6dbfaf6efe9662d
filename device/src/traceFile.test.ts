import { simulateWrench, type Trace } from '@stennet/core/trace';
import { readTrace, traceTable } from './traceFile';

const { trace } = simulateWrench({ to: { unit: 'N.m', value: 30 } }, 3, 'Wrench 4');

test('a table and a JSON file of one pull say the same', () => {
  const { tS, torqueNm, angleDeg } = readTrace(traceTable(trace), 'pull.csv');
  expect({ tS, torqueNm, angleDeg }).toEqual({
    tS: trace.tS,
    torqueNm: trace.torqueNm,
    angleDeg: trace.angleDeg,
  });
  expect(readTrace(JSON.stringify(trace), 'pull.json')).toEqual(trace);
});

test('other units, a semicolon and a decimal comma are read', () => {
  const read: Trace = readTrace(
    'Angle (rad);time (ms);Torque (lbf·in)\n0;0;88,5\n3,1416;10;177\n',
    'pull.csv',
  );
  expect(read.tS).toEqual([0, 0.01]);
  expect(read.torqueNm.map((t) => Math.round(t))).toEqual([10, 20]);
  expect(Math.round(read.angleDeg[1] ?? 0)).toBe(180);
});

test.each([
  ['a,b\n1,2\n', /name the columns and their units/],
  ['time (s),torque (apples),angle (°)\n0,1,2\n', /“apples” isn’t a unit/],
  ['time (s),torque (N·m),angle (°)\n0,1,2\n0.1,x,3\n', /Line 3: “x” isn’t a number/],
  ['time (s),torque (N·m),angle (°)\n0,1,2\n0,2,3\n', /times that rise/],
  ['{"format":', /no JSON/],
])('what can’t be read is said: %j', (text, why) => {
  expect(() => readTrace(text, 'pull')).toThrow(why);
});
