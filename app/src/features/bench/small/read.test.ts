import { readLength, readTorque } from './read';

test('a torque is read with or without its unit', () => {
  expect(readTorque('62', 'N.m')).toEqual({ value: 62, unit: 'N.m' });
  expect(readTorque('45 lbf·ft', 'N.m')?.value).toBeCloseTo(61.01, 2);
  expect(readTorque('62 mm', 'N.m')).toBeUndefined();
  expect(readTorque('fast', 'N.m')).toBeUndefined();
  expect(readTorque('0', 'N.m')).toBeUndefined();
});

test('a length is read in millimeters or inches', () => {
  expect(readLength('400')).toBe(400);
  expect(readLength('2 in')).toBeCloseTo(50.8);
  expect(readLength('-3')).toBeUndefined();
});
