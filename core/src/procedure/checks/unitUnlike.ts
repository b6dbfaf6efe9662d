import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { units, type UnitCode } from '../../quantity';
import { isInchThread } from '../../thread';
import type { Sheet } from '../sheet';
import { finding, type Finding } from './finding';
import { finalTorques, type FinalTorque } from './values';

const text = textsOf('checks', checks);

/**
 * lbf·ft typed as N·m, or the other way round, is inside every plausible band: only what else is
 * known shows it. Compared are the torques of this sheet with each other, with its other revisions
 * and the sheets it names, with the sheets of the same engine and maker, and with the same thread
 * and class in the whole library. Each asks one question, once a place.
 */
export function checkUnitFactor(sheet: Sheet, others: readonly Sheet[]): Finding[] {
  const found = new Map<string, Finding>();
  for (const f of [
    ...mixedInside(sheet),
    ...byFactor(sheet, others),
    ...byMaker(sheet, others),
    ...byThread(sheet, others),
  ])
    if (!found.has(f.place)) found.set(f.place, f);
  return [...found.values()];
}

const FACTOR = units['[ft_i].[lbf_av]'].toBase / units['N.m'].toBase;
const NEAR = 0.03;

type Printed = 'N.m' | '[ft_i].[lbf_av]';
/** The two that are mistaken for each other; others stand far enough away to be seen. */
const isEither = (unit: UnitCode): unit is Printed => unit === 'N.m' || unit === '[ft_i].[lbf_av]';

/** A page may print inch threads in lbf·ft and metric ones in N·m: that is no slip. */
const unitOf = ({ of, q }: FinalTorque): Printed | null =>
  !isEither(q.unit) || (isInchThread(of.thread.designation) && q.unit !== 'N.m') ? null : q.unit;

const isNamed = (sheet: Sheet, other: Sheet): boolean =>
  other.id === sheet.id ||
  sheet.tellApart.some((t) => t.answers.some((a) => a.sheet === other.id)) ||
  sheet.conflicts.some((c) => c.sheet === other.id);

const isSameEngine = (a: Sheet, b: Sheet): boolean =>
  a.applies.maker === b.applies.maker && a.applies.engine === b.applies.engine;

/** The same joint of a look-alike or an earlier revision, apart by just the factor of the units. */
function byFactor(sheet: Sheet, others: readonly Sheet[]): Finding[] {
  const kin = others.filter((o) => isNamed(sheet, o));
  const mine = finalTorques(sheet);
  return kin.flatMap((other) =>
    finalTorques(other).flatMap((theirs) =>
      mine.flatMap((own) => {
        if (own.group !== theirs.group) return [];
        const ratio = own.nm / theirs.nm;
        const near = (f: number): boolean => Math.abs(ratio / f - 1) < NEAR;
        return near(FACTOR) || near(1 / FACTOR)
          ? [
              finding(
                'unitFactor',
                'warning',
                own.place,
                text.unitFactor({ title: other.title, revision: other.revision }),
              ),
            ]
          : [];
      }),
    ),
  );
}

/** Three at least with this thread and class in the library, and none printed as here. */
function byThread(sheet: Sheet, others: readonly Sheet[]): Finding[] {
  return finalTorques(sheet).flatMap((own) => {
    const unit = unitOf(own);
    const theirs = others
      .filter((o) => o.id !== sheet.id)
      .flatMap((o) => finalTorques(o).filter((t) => t.group === own.group))
      .flatMap((t) => unitOf(t) ?? []);
    if (!unit || theirs.length < 3 || theirs.includes(unit)) return [];
    const [other = unit] = theirs;
    const words = { what: own.group, theirs: units[other].symbol, unit: units[unit].symbol };
    return [finding('unitUnlike', 'warning', own.place, text.unitOfThread(words))];
  });
}

/** One of this engine prints it in the other unit, or two of this maker, and none as here. */
function byMaker(sheet: Sheet, others: readonly Sheet[]): Finding[] {
  const kin = others.filter((o) => o.id !== sheet.id && o.applies.maker === sheet.applies.maker);
  const engine = kin.filter((o) => isSameEngine(sheet, o));
  const printed = (of: readonly Sheet[]): (Printed | null)[] =>
    of.flatMap((o) => [...new Set(finalTorques(o).map(unitOf))]).filter(Boolean);
  const [near, all] = [printed(engine), printed(kin)];
  return finalTorques(sheet).flatMap((own) => {
    const unit = unitOf(own);
    if (!unit || all.includes(unit) || (near.length === 0 && all.length < 2)) return [];
    return [
      finding(
        'unitUnlike',
        'warning',
        own.place,
        text.unitOfMaker({
          maker: sheet.applies.maker,
          theirs: units[unit === 'N.m' ? '[ft_i].[lbf_av]' : 'N.m'].symbol,
          unit: units[unit].symbol,
        }),
      ),
    ];
  });
}

/** The units of one school of print: whoever prints one of them prints none of the others. */
const isFeetAndPounds = (unit: UnitCode): boolean => /lbf|ozf/.test(unit);

/** Two schools of units on one sheet: one of them is likelier a slip than printed so. */
function mixedInside(sheet: Sheet): Finding[] {
  const torques = sheet.stages
    .flatMap((stage, i) => [
      { of: stage.target, place: `stages.${i}.target` },
      ...(stage.each ?? []).map((part, k) => ({
        of: part.target,
        place: `stages.${i}.each.${k}.target`,
      })),
    ])
    .flatMap(({ of, place }) =>
      of && units[of.unit].kind === 'torque' ? [{ unit: of.unit, place }] : [],
    );
  const inch = sheet.groups.map((g) => isInchThread(g.thread.designation));
  // Inch threads and metric ones on one joint may each come with their own.
  if (new Set(inch).size > 1) return [];
  const pounds = torques.filter((t) => isFeetAndPounds(t.unit));
  if (pounds.length === 0 || pounds.length === torques.length) return [];
  const odd =
    pounds.length * 2 <= torques.length ? pounds : torques.filter((t) => !isFeetAndPounds(t.unit));
  return odd.map(({ unit, place }) =>
    finding('unitUnlike', 'warning', place, text.unitMixed({ unit: units[unit].symbol })),
  );
}
