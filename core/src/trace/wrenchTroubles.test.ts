import fc from 'fast-check';
import { approach, wrenchTroubles, type WrenchState } from '.';

const RANGE = { min: { value: 20, unit: 'N.m' }, max: { value: 135, unit: 'N.m' } } as const;
const TARGET = { value: 30, unit: 'N.m' } as const;

describe('what is wrong with a digital wrench', () => {
  test.each<[string, WrenchState, string[]]>([
    ['nothing where nothing is said', {}, []],
    ['as it should be', { inReach: true, zeroing: false, battery: 80, unit: 'N.m' }, []],
    ['out of reach', { inReach: false }, ['inReach']],
    ['zeroing', { zeroing: true }, ['zeroing']],
    ['set to another unit', { unit: '[ft_i].[lbf_av]' }, ['unit']],
    ['a low battery', { battery: 15 }, ['battery']],
    [
      'several, the worst first',
      { battery: 3, zeroing: true, unit: 'kgf.m' },
      ['zeroing', 'unit', 'battery'],
    ],
  ])('%s', (_what, state, troubles) => {
    expect(wrenchTroubles(state, RANGE, TARGET)).toEqual(troubles);
  });

  test('a stage beyond what it measures, in whatever unit', () => {
    expect(wrenchTroubles({}, RANGE, { value: 15, unit: 'N.m' })).toEqual(['range']);
    expect(wrenchTroubles({}, RANGE, { value: 99, unit: '[ft_i].[lbf_av]' })).toEqual([]);
    expect(wrenchTroubles({}, RANGE, { value: 100, unit: '[ft_i].[lbf_av]' })).toEqual(['range']);
    expect(wrenchTroubles({}, undefined, { value: 500, unit: 'N.m' })).toEqual([]);
  });

  test('an angle has neither range nor unit', () => {
    expect(wrenchTroubles({ unit: 'kgf.m' }, RANGE, { value: 90, unit: 'deg' })).toEqual([]);
  });
});

describe('how near a pull has come', () => {
  test('below, at the target, past it', () => {
    const window = { target: 30, low: 29, high: 31 };
    expect(approach(15, window)).toEqual({ share: 0.5, is: 'below' });
    expect(approach(29, window).is).toBe('at');
    expect(approach(31, window).is).toBe('at');
    expect(approach(31.1, window).is).toBe('over');
    expect(approach(-2, window).share).toBe(0);
  });

  test('pulling on never sounds further away', () => {
    const rank = { below: 0, at: 1, over: 2 };
    const positive = fc.double({ min: 0.1, max: 500, noNaN: true });
    fc.assert(
      fc.property(positive, positive, positive, (target, a, b) => {
        const window = { target, low: target * 0.96, high: target * 1.05 };
        const [near, far] = [approach(Math.max(a, b), window), approach(Math.min(a, b), window)];
        expect(near.share).toBeGreaterThanOrEqual(far.share);
        expect(rank[near.is]).toBeGreaterThanOrEqual(rank[far.is]);
      }),
    );
  });
});
