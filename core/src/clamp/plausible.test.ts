import fc from 'fast-check';
import plausibilities from '../../vectors/06_plausibility.json';
import { AppError } from '../errors';
import { units, type UnitCode } from '../quantity';
import { hexHeadOf, propertyClassOf, threadOf } from '../thread';
import { plausibility, torqueForPreload, torqueState, yieldTorques, type PlausibleFor } from '.';
import { runAll, i, unitOf } from '../testing/vectorCases';

const LEVELS = {
  ok: 'ok',
  noteLow: 'note_low',
  noteHigh: 'note_high',
  warn: 'warn',
  error: 'error',
} as const;
const slipName = (as: string): string =>
  as === 'x10' || as === '/10' || as === 'deg' ? as : units[as as UnitCode].symbol;

runAll('plausibility', plausibilities.cases, (input) => {
  const x = i(input);
  if (input.op === 'yield_torques') {
    const y = yieldTorques(threadOf(x.thread ?? ''), x.class ?? '');
    return { 'mu_0.08_Nm': y.lowMu, 'mu_0.12_Nm': y.ordinary, 'mu_0.20_Nm': y.highMu };
  }
  const p = plausibility(
    { value: x.value ?? 0, unit: unitOf(x.unit) },
    x.thread ?? '',
    x.class ?? '',
    x.purpose as unknown as PlausibleFor,
  );
  return {
    ...{
      r_low_mu: p.ratioLowMu,
      r_nom: p.ratio,
      r_high_mu: p.ratioHighMu,
      level: LEVELS[p.level],
      torque_Nm: p.torqueNm,
    },
    ...{
      yield_torque_low_mu_Nm: p.yieldTorquesNm.lowMu,
      yield_torque_nom_Nm: p.yieldTorquesNm.ordinary,
      yield_torque_high_mu_Nm: p.yieldTorquesNm.highMu,
    },
    slips: p.slips.map((s) => ({
      as: slipName(s.as),
      torque_Nm: s.torqueNm,
      r_nom: s.ratio,
      score: s.score,
    })),
  };
});

test('a thread or class that is not known is refused by name', () => {
  for (const name of ['M10x12', 'N10', '3/8', 'M3.7', ''])
    expect(() => threadOf(name)).toThrow(AppError);
  expect(() => propertyClassOf('11.9')).toThrow('Unknown property class “11.9”');
  expect(threadOf('M10 × 1.25')).toMatchObject({ series: 'fine', pitchMm: 1.25 });
});

test('preload goes to torque and back, and more friction never gives more preload', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('M6', 'M8', 'M10', 'M11x1.5', '3/8-16', 'M14x1.5'),
      fc.double({ min: 0.06, max: 0.26, noNaN: true }),
      fc.double({ min: 1, max: 90, noNaN: true }),
      (name, mu, kn) => {
        const thread = threadOf(name);
        const f = { thread: mu, head: mu, meanHeadMm: hexHeadOf(thread.dMm).meanMm };
        const strength = propertyClassOf('10.9');
        const back = torqueState(torqueForPreload(kn, thread, f), thread, strength, f);
        expect(back.preloadKn).toBeCloseTo(kn, 9);
        expect(back.sharePitch + back.shareThread + back.shareHead).toBeCloseTo(1, 12);
        const rougher = torqueState(torqueForPreload(kn, thread, f), thread, strength, {
          ...f,
          thread: mu + 0.01,
          head: mu + 0.01,
        });
        expect(rougher.preloadKn).toBeLessThan(kn);
      },
    ),
  );
});
