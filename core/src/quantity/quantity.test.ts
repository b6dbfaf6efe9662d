import fc from 'fast-check';
import adapters from '../../vectors/07_adapters.json';
import unitVectors from '../../vectors/01_units.json';
import { AppError } from '../errors';
import {
  asRead,
  convert,
  createFormatter,
  parseCents,
  parseNumber,
  parseQuantity,
  UNIT_CODES,
  units,
  wrenchSetting,
  type ShopStyle,
  type UnitCode,
  type Wrench,
} from '.';

interface UnitCase {
  name: string;
  input: { op: string; value: number; unit?: string; from: string; to: string };
  expected: { value?: number; error?: string; ucum?: string; dimension?: string; to_base?: number };
}
const cases = unitVectors.cases as unknown as UnitCase[];
const codeOf = (symbol: string): UnitCode | undefined =>
  UNIT_CODES.find((u) => units[u].symbol === symbol || (u === 'deg' && symbol === 'deg'));

describe('units', () => {
  test.each(
    cases.filter((c) => c.input.op === 'factor').map((c) => [c.input.unit ?? '', c] as const),
  )('%s is as many of its base unit as its vector says', (symbol, { expected }) => {
    const code = codeOf(symbol);
    expect(code).toBe(expected.ucum);
    if (!code) return;
    expect(units[code].kind).toBe(expected.dimension);
    expect(Math.abs(units[code].toBase / (expected.to_base ?? NaN) - 1)).toBeLessThan(1e-11);
  });

  test.each(cases.filter((c) => c.input.op === 'convert').map((c) => [c.name, c] as const))(
    '%s',
    (_name, { input, expected }) => {
      const [from, to] = [codeOf(input.from), codeOf(input.to)];
      if (expected.error === 'unknown unit') return expect([from, to]).toContain(undefined);
      if (!from || !to) throw new Error('a unit of the vectors is missing');
      if (expected.error)
        return expect(() => convert({ value: input.value, unit: from }, to)).toThrow(AppError);
      const got = convert({ value: input.value, unit: from }, to);
      expect(Math.abs(got - (expected.value ?? NaN))).toBeLessThanOrEqual(
        Math.max(1e-12, 1e-11 * Math.abs(expected.value ?? NaN)),
      );
    },
  );

  test('every case of the vectors is one of these', () =>
    expect(cases.every((c) => c.input.op === 'factor' || c.input.op === 'convert')).toBe(true));

  test('there and back gives what was there', () => {
    const torque = fc.constantFrom(...UNIT_CODES.filter((u) => units[u].kind === 'torque'));
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 5000, noNaN: true }),
        torque,
        torque,
        (value, a, b) => {
          expect(convert({ value: convert({ value, unit: a }, b), unit: b }, a)).toBeCloseTo(
            value,
            9,
          );
        },
      ),
    );
  });

  test('a torque is never turned into an angle', () => {
    expect(() => convert({ value: 1, unit: 'N.m' }, 'deg')).toThrow(AppError);
  });
});

interface WrenchCase {
  name: string;
  input: {
    op: string;
    torque_Nm: number;
    full_scale_Nm: number;
    graduation_Nm: number;
    low_fraction: number;
    high_fraction: number;
  };
  expected: { in_range: boolean; set_Nm: number | null };
}

describe('what the scale must say', () => {
  const cases = (adapters.cases as unknown as WrenchCase[]).filter((c) => c.input.op === 'wrench');
  test.each(cases.map((c) => [c.name, c] as const))('%s', (_name, { input, expected }) => {
    const wrench: Wrench = {
      id: '',
      name: 'w',
      kind: 'click',
      unit: 'N.m',
      min: input.full_scale_Nm * input.low_fraction,
      max: input.full_scale_Nm * input.high_fraction,
      graduation: input.graduation_Nm,
      calibratedUntil: '2099-01-01',
    };
    const setting = (): number =>
      wrenchSetting(wrench, { value: input.torque_Nm, unit: 'N.m' }).value;
    if (expected.in_range) expect(setting()).toBeCloseTo(expected.set_Nm ?? NaN, 9);
    else expect(setting).toThrow(expect.objectContaining({ code: 'WRENCH_OUT_OF_RANGE' }));
  });

  test('27 N·m on an inch-pound scale is 239', () => {
    const wrench: Wrench = {
      id: '',
      name: 'w',
      kind: 'click',
      unit: '[in_i].[lbf_av]',
      min: 50,
      max: 250,
      graduation: 1,
      calibratedUntil: '2099-01-01',
    };
    expect(wrenchSetting(wrench, { value: 27, unit: 'N.m' })).toEqual({
      value: 239,
      unit: '[in_i].[lbf_av]',
    });
  });
});

describe('numbers and text', () => {
  const style: ShopStyle = {
    locale: 'en-GB',
    timeZone: 'Europe/Berlin',
    paper: 'A4',
    torqueUnit: 'N.m',
  };

  test('a person types a comma or a point', () => {
    expect(parseNumber('62,5')).toBe(62.5);
    expect(parseNumber(' +75° ')).toBe(75);
    for (const text of ['', '1,234.5', '1.2.3', 'seventy', '1e3', '٣'])
      expect(() => parseNumber(text)).toThrow(AppError);
  });

  test('inch-pounds and foot-pounds look different in the hand', () => {
    const format = createFormatter(style);
    expect(format.inHand({ value: 239, unit: '[in_i].[lbf_av]' })).toMatchObject({
      number: '239',
      unit: 'inch-pounds',
    });
    expect(format.inHand({ value: 20, unit: '[ft_i].[lbf_av]' }).text).toBe('20 foot-pounds');
    expect(format.quantity({ value: 27, unit: 'N.m' }).text).toBe('27 N·m');
    expect(format.angle(75)).toBe('+75°');
  });

  test('a value that someone wrote down stands with all its digits, in every unit: what is set on a fine scale is what is read there', () => {
    const written = fc.tuple(
      fc.integer({ min: 0, max: 4_000_000 }),
      fc.integer({ min: 0, max: 4 }),
      fc.constantFrom(...UNIT_CODES),
    );
    const format = createFormatter(style);
    fc.assert(
      fc.property(written, ([digits, places, unit]) => {
        const q = { value: Number((digits / 10 ** places).toFixed(places)), unit };
        for (const said of [format.quantity(q), format.inHand(q)])
          expect(Number(said.number)).toBe(q.value);
        if (unit !== 'deg') expect(format.published(q)).toBe(format.quantity(q).text);
      }),
    );
    expect(format.inHand({ value: 2.75, unit: 'kgf.m' }).number).toBe('2.75');
    expect(format.inHand({ value: 9.75, unit: 'N.m' }).number).toBe('9.75');
    expect(format.angle(22.25)).toBe('+22.25°');
    expect(
      createFormatter({ ...style, locale: 'de-DE' }).inHand({
        value: 1250.5,
        unit: '[in_i].[lbf_av]',
      }).number,
    ).toBe('1250,5');
    // What comes of multiplying is not a value of its own.
    expect(format.quantity({ value: 0.1 + 0.2, unit: 'N.m' }).number).toBe('0.3');
  });

  test('what was calculated is said as an instrument would show it: no finer than its unit is read to, and no further off than half of that', () => {
    expect(asRead({ value: 0.04058, unit: 'mm' }, 'mm')).toEqual({ value: 0.041, unit: 'mm' });
    expect(asRead({ value: 25.4, unit: 'mm' }, '[in_i]')).toEqual({ value: 1, unit: '[in_i]' });
    const finest = { mm: 3, '[in_i]': 4, 'N.m': 1, 'kgf.m': 2 } as const;
    const unit = fc.constantFrom(...(Object.keys(finest) as (keyof typeof finest)[]));
    fc.assert(
      fc.property(unit, fc.double({ min: 0, max: 500, noNaN: true }), (code, value) => {
        const read = asRead({ value, unit: code }, code);
        expect(Math.abs(read.value - value)).toBeLessThanOrEqual(0.5 * 10 ** -finest[code] + 1e-9);
        expect(createFormatter(style).quantity(read).number).toMatch(
          new RegExp(`^\\d+([.,]\\d{1,${finest[code]}})?$`),
        );
      }),
    );
  });

  test('a value that was computed is rounded to what its unit is read to', () => {
    const format = createFormatter(style);
    expect(
      format.quantity({
        value: convert({ value: 27, unit: 'N.m' }, '[in_i].[lbf_av]'),
        unit: '[in_i].[lbf_av]',
      }).number,
    ).toBe('239');
    expect(
      format.quantity({ value: convert({ value: 28, unit: 'N.m' }, 'kgf.m'), unit: 'kgf.m' })
        .number,
    ).toBe('2.86');
    expect(format.quantity({ value: 1 / 30, unit: 'mm' }).number).toBe('0.033');
  });

  test('times are the shop’s, wherever the device is', () => {
    const at = new Date('2026-11-24T23:30:00Z');
    expect(createFormatter(style).dateTime(at)).toBe('25 Nov 2026, 00:30');
    expect(createFormatter({ ...style, timeZone: 'America/Chicago' }).time(at)).toBe('17:30');
    expect(createFormatter({ ...style, locale: 'de-DE' }).number(62.5)).toBe('62,5');
  });

  test('how long ago is said coarsely', () => {
    const format = createFormatter(style);
    const now = new Date('2026-11-24T12:00:00Z');
    const before = (minutes: number): string =>
      format.ago(new Date(now.getTime() - minutes * 60_000), now);
    expect([before(25), before(180), before(60 * 30)]).toEqual([
      '25 minutes ago',
      '3 hours ago',
      'yesterday',
    ]);
  });
});

describe('a value as people type it', () => {
  test.each([
    ['27', 27],
    [' 27,5 ', 27.5],
    ['27 Nm', 27],
    ['27,5 N·m', 27.5],
    ['20 ft-lb', 27.116],
    ['20lbf·ft', 27.116],
    ['240 in lb', 27.116],
    ['2.8 kgf m', 27.459],
  ] as const)('%s is understood', (text, nm) => {
    expect(parseQuantity(text, 'N.m').value).toBeCloseTo(nm, 3);
  });
  test.each([
    ['27 bananas', 'UNIT_UNREADABLE'],
    ['27 mm', 'UNIT_KIND'],
    ['', 'NUMBER_UNREADABLE'],
    ['twenty', 'NUMBER_UNREADABLE'],
    ['1,234.5', 'NUMBER_UNREADABLE'],
    ['1.234,5 Nm', 'NUMBER_UNREADABLE'],
    ['27 Nm Nm', 'UNIT_UNREADABLE'],
  ] as const)('%s is refused', (text, code) => {
    expect(() => parseQuantity(text, 'N.m')).toThrow(expect.objectContaining({ code }));
  });
  test('any number with any unit of its kind comes back as the same quantity', () => {
    const torque = UNIT_CODES.filter((u) => units[u].kind === 'torque');
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 90_000 }),
        fc.constantFrom(...torque),
        fc.constantFrom(...torque),
        (n, from, to) => {
          expect(parseQuantity(`${n / 10} ${units[from].symbol}`, to).value).toBeCloseTo(
            convert({ value: n / 10, unit: from }, to),
            9,
          );
        },
      ),
    );
  });
});

test('prices with point or comma; nothing is nothing, and what is no price is none', () => {
  expect([parseCents('64'), parseCents('64,5'), parseCents(' 64.05 '), parseCents('')]).toEqual([
    6400,
    6450,
    6405,
    null,
  ]);
  expect([
    parseCents('-1'),
    parseCents('1,234.50'),
    parseCents('free'),
    parseCents('9'.repeat(12)),
  ]).toEqual([undefined, undefined, undefined, undefined]);
});
