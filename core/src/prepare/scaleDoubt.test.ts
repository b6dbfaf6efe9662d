import fc from 'fast-check';
import { scaleDoubt, type ShopTool } from '.';
import { convert, units, type UnitCode } from '../quantity';

const wrench = (drive: '1/4' | '3/8' | '1/2' | '3/4', max: number, unit: UnitCode): ShopTool => ({
  kind: 'click',
  name: 'Wrench',
  unit,
  min: max / 5,
  max,
  graduation: max / 200,
  calibratedUntil: '2027-06-28',
  drive,
});

/** Scales as wrenches carry them. */
const SOLD = [
  ['1/4', 25, 'N.m'],
  ['1/4', 250, '[in_i].[lbf_av]'],
  ['3/8', 60, 'N.m'],
  ['3/8', 100, '[ft_i].[lbf_av]'],
  ['3/8', 1000, '[in_i].[lbf_av]'],
  ['1/2', 200, 'N.m'],
  ['1/2', 250, '[ft_i].[lbf_av]'],
  ['3/4', 800, 'N.m'],
  ['3/4', 600, '[ft_i].[lbf_av]'],
] as const;

test('a scale as it is printed is not questioned', () => {
  for (const [drive, max, unit] of SOLD) expect(scaleDoubt(wrench(drive, max, unit))).toBeNull();
});

test('off by 8.9 or 12, up or down, is questioned, and the unit on the scale is offered', () => {
  for (const [drive, max, unit] of SOLD)
    for (const typed of ['N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]'] as const) {
      const factor = units[typed].toBase / units[unit].toBase;
      if (Math.abs(Math.log(factor)) < Math.log(2)) continue;
      const offered = scaleDoubt(wrench(drive, max, typed));
      expect([drive, max, typed, offered]).not.toEqual([drive, max, typed, null]);
      // N·m and lbf·ft lie too near to each other for one to be told from the other here.
      const is = convert({ value: max, unit: offered ?? typed }, 'N.m');
      expect(Math.abs(Math.log(is / convert({ value: max, unit }, 'N.m')))).toBeLessThan(0.4);
    }
});

test('what is offered is never questioned in turn', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('1/4', '3/8', '1/2', '3/4'),
      fc.double({ min: 0.5, max: 20_000, noNaN: true }),
      fc.constantFrom<UnitCode>('N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]', 'kgf.cm'),
      (drive, max, unit) => {
        const offered = scaleDoubt(wrench(drive, max, unit));
        if (offered) expect(scaleDoubt(wrench(drive, max, offered))).toBeNull();
      },
    ),
  );
});
