import type { Sheet, Stage } from '../procedure';
import { seatsOf } from '../procedure';
import { units, type UnitCode } from '../quantity';
import { indexes, type Maker } from './slipMaker';
import {
  stretchBoltReused,
  classSlip,
  sizeSlip,
  compoundForgotten,
  compoundTwice,
  toolLeftIn,
  toolNeverIn,
  clockTurned,
  pairUnknown,
  crankUnknown,
  backNowhere,
  stepAtUnknownStage,
  answerElsewhere,
  datesTurned,
  limitTurned,
  oilInCoolant,
} from './slipsBeside';

const setStage = (sheet: Sheet, at: number, change: Partial<Stage>): Sheet => ({
  ...sheet,
  stages: sheet.stages.map((s, i) => (i === at ? { ...s, ...change } : s)),
});
const dropStage = (sheet: Sheet, at: number): Sheet => ({
  ...sheet,
  stages: sheet.stages.filter((_s, i) => i !== at),
});
const isTorque = (s: Stage): boolean =>
  s.action === 'torque' && s.target !== undefined && 'value' in s.target;
/** The torque that a joint is left at, or turned on from. */
const lastTorque = ({ stages }: Sheet): number => stages.findLastIndex(isTorque);
const valueOf = (s: Stage | undefined): number =>
  s?.target && 'value' in s.target ? s.target.value : 0;

const times =
  (factor: number): Maker =>
  (sheet) => {
    const at = lastTorque(sheet);
    const stage = sheet.stages[at];
    if (!stage?.target) return null;
    const target = {
      value: Number((valueOf(stage) * factor).toPrecision(4)),
      unit: stage.target.unit,
    };
    const slipped = setStage(sheet, at, { target });
    return { sheet: slipped, places: ['stages'] };
  };

/** Every torque of the page, its numbers right, under another unit. */
const underUnit =
  (unit: UnitCode, besideEarlier = false): Maker =>
  (sheet) => {
    const typed = sheet.stages.map((s) =>
      s.target && units[s.target.unit].kind === 'torque'
        ? { ...s, target: { ...s.target, unit } }
        : s,
    );
    const [was] = sheet.stages.flatMap((s) => (isTorque(s) && s.target ? [s.target.unit] : []));
    const factor = was ? units[unit].toBase / units[was].toBase : 1;
    // Between the two large units only another sheet can tell.
    const isFar = factor > 5 || factor < 0.2;
    if (factor === 1 || isFar === besideEarlier) return null;
    return {
      sheet: { ...sheet, stages: typed as Stage[] },
      places: ['stages'],
      ...(besideEarlier ? { earlier: { ...sheet, revision: 'ZZ' } } : {}),
    };
  };

const swapStages: Maker = (sheet, pick) => {
  const at = pick(
    indexes(sheet.stages, (s, i) => {
      const next = sheet.stages[i + 1];
      const isRise = isTorque(s) && next && isTorque(next) && valueOf(s) < valueOf(next);
      const isTurn = isTorque(s) && next?.action === 'angle';
      const isSame = next && JSON.stringify(s.on) === JSON.stringify(next.on);
      return (
        Boolean(isSame && (isRise || isTurn) && s.target?.unit === next?.target?.unit) ||
        Boolean(isSame && isTurn)
      );
    }),
  );
  if (at === undefined) return null;
  const stages = [...sheet.stages];
  const [first] = stages.splice(at, 1);
  if (first) stages.splice(at + 1, 0, first);
  return { sheet: { ...sheet, stages }, places: ['stages'] };
};

const noTorque: Maker = (sheet) => {
  const torques = indexes(sheet.stages, (s) => ['torque', 'each', 'drawDown'].includes(s.action));
  const [only] = torques;
  if (torques.length !== 1 || only === undefined || sheet.stages[only]?.action !== 'torque')
    return null;
  return { sheet: dropStage(sheet, only), places: ['stages', 'seats', 'steps', 'clocks'] };
};

/** A stage names what is not there: a bolt's number with a digit too many. */
const wrongLabel: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.stages, (s) => (s.order?.labels?.length ?? 0) > 1));
  const stage = at === undefined ? undefined : sheet.stages[at];
  if (!stage?.order?.labels) return null;
  const [first = '', ...rest] = stage.order.labels;
  const order = { ...stage.order, labels: [`${first}${first}0`, ...rest] };
  return { sheet: setStage(sheet, at ?? 0, { order }), places: [`stages.${at}`] };
};
const labelTwice: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.stages, (s) => (s.order?.labels?.length ?? 0) > 2));
  const stage = at === undefined ? undefined : sheet.stages[at];
  if (!stage?.order?.labels) return null;
  const [first = '', , ...rest] = stage.order.labels;
  const order = { ...stage.order, labels: [first, first, ...rest] };
  return { sheet: setStage(sheet, at ?? 0, { order }), places: [`stages.${at}`] };
};
const labelMissing: Maker = (sheet, pick) => {
  const at = pick(
    indexes(
      sheet.stages,
      (s) => (s.order?.labels?.length ?? 0) > 2 && seatsOf(sheet, s).length > 2,
    ),
  );
  const stage = at === undefined ? undefined : sheet.stages[at];
  if (!stage?.order?.labels) return null;
  const order = { ...stage.order, labels: stage.order.labels.slice(1) };
  return { sheet: setStage(sheet, at ?? 0, { order }), places: [`stages.${at}`] };
};
const boltNumberTwice: Maker = (sheet) => {
  const [first, second] = sheet.pattern.positions;
  if (!first || !second) return null;
  const positions = sheet.pattern.positions.map((p) =>
    p === second ? { ...p, label: first.label } : p,
  );
  return {
    sheet: { ...sheet, pattern: { ...sheet.pattern, positions } as Sheet['pattern'] },
    places: ['pattern.positions', 'seats', 'stages'],
  };
};
const stageNameTwice: Maker = (sheet) =>
  sheet.stages.length < 2
    ? null
    : {
        sheet: setStage(sheet, 1, { id: sheet.stages[0]?.id ?? '' }),
        places: ['stages', 'steps', 'clocks'],
      };
const boltLeftOut: Maker = (sheet) => {
  if (sheet.seats.length < 3 || sheet.stages.some((s) => !s.on.includes('all'))) return null;
  const on = sheet.seats.slice(1).map((s) => s.id);
  return {
    sheet: { ...sheet, stages: sheet.stages.map((s) => ({ ...s, on })) },
    places: ['seats.0', 'stages'],
  };
};
const boltOutOfLastStage: Maker = (sheet) => {
  const at = sheet.stages.findLastIndex((s) => s.action === 'loosen');
  const after = sheet.stages.slice(at + 1);
  if (at < 0 || sheet.seats.length < 3 || after.some((s) => !s.on.includes('all'))) return null;
  const on = sheet.seats.slice(1).map((s) => s.id);
  return {
    sheet: { ...sheet, stages: sheet.stages.map((s, i) => (i > at ? { ...s, on } : s)) },
    places: [`stages`],
  };
};
const angleDigits =
  (factor: number): Maker =>
  (sheet, pick) => {
    const at = pick(indexes(sheet.stages, (s) => s.action === 'angle' && valueOf(s) > 0));
    if (at === undefined) return null;
    const target = { value: valueOf(sheet.stages[at]) * factor, unit: 'deg' as const };
    return { sheet: setStage(sheet, at, { target }), places: [`stages.${at}`] };
  };
const angleAsTorque: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.stages, (s) => s.action === 'angle'));
  const target = { value: valueOf(sheet.stages[at ?? -1]), unit: 'N.m' as const };
  return at === undefined
    ? null
    : { sheet: setStage(sheet, at, { action: 'torque', target }), places: [`stages.${at}`] };
};
const torqueAsAngle: Maker = (sheet) => {
  const at = sheet.stages.findIndex(isTorque);
  const target = { value: valueOf(sheet.stages[at]), unit: 'deg' as const };
  return at < 0
    ? null
    : { sheet: setStage(sheet, at, { action: 'angle', target }), places: [`stages`] };
};
const valueForgotten: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.stages, (s) => ['torque', 'angle'].includes(s.action)));
  return at === undefined
    ? null
    : { sheet: setStage(sheet, at, { target: undefined }), places: [`stages.${at}`] };
};
const unitOfOtherKind: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.stages, isTorque));
  const target = { value: valueOf(sheet.stages[at ?? -1]), unit: 'deg' as const };
  return at === undefined
    ? null
    : { sheet: setStage(sheet, at, { target }), places: [`stages.${at}`] };
};
const rangeTurned: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.stages, isTorque));
  const stage = sheet.stages[at ?? -1];
  if (at === undefined || !stage?.target) return null;
  const value = valueOf(stage);
  const target = { min: value, max: value * 0.9, unit: stage.target.unit };
  return { sheet: setStage(sheet, at, { target }), places: [`stages.${at}`] };
};
const trialStays: Maker = (sheet) => {
  const at = sheet.stages.findIndex((s) => s.trial && s.action === 'loosen');
  return at < 0 ? null : { sheet: dropStage(sheet, at), places: ['stages', 'steps'] };
};
const loosenForgotten: Maker = (sheet) => {
  const at = sheet.stages.findIndex((s, i) => s.action === 'loosen' && !s.trial && i > 0);
  const before = Math.max(
    ...sheet.stages.slice(0, Math.max(at, 0)).filter(isTorque).map(valueOf),
    0,
  );
  const next = sheet.stages.slice(at + 1).find(isTorque);
  const turned = sheet.stages.slice(0, Math.max(at, 0)).some((s) => s.action === 'angle');
  const isOne = [at - 1, at + 1].every((i) => sheet.stages[i]?.action !== 'loosen');
  if (at < 0 || !isOne || !next || (valueOf(next) >= before && !turned)) return null;
  return { sheet: dropStage(sheet, at), places: ['stages'] };
};
const endsLoose: Maker = (sheet) => ({
  sheet: {
    ...sheet,
    stages: [
      ...sheet.stages,
      { id: 'more', name: 'more', on: ['all'], action: 'loosen', loosen: 'free' },
    ],
  },
  places: [`stages.${sheet.stages.length}`],
});
const eachFalls: Maker = (sheet) => {
  const at = sheet.stages.findIndex((s) => s.each?.[0]?.action === 'torque');
  const first = sheet.stages[at]?.each?.[0];
  if (!first?.target || !('value' in first.target)) return null;
  const target = { ...first.target, value: first.target.value * 0.6 };
  const each = [first, { id: 'then', action: 'torque' as const, target }];
  return { sheet: setStage(sheet, at, { each }), places: [`stages.${at}.each.1`] };
};
export const SLIPS: Record<string, Maker> = {
  'a digit too many in a torque': times(10),
  'a digit missing in the last torque': times(0.1),
  'lbf·in read as lbf·ft': underUnit('[ft_i].[lbf_av]'),
  'torques typed as lbf·in': underUnit('[in_i].[lbf_av]'),
  'torques typed as lbf·ft, beside the earlier revision': underUnit('[ft_i].[lbf_av]', true),
  'two stages swapped': swapStages,
  'the only torque left out': noTorque,
  'an order with a number that is not there': wrongLabel,
  'a number twice in an order': labelTwice,
  'a number missing in an order': labelMissing,
  'two places with one number': boltNumberTwice,
  'two stages with one name': stageNameTwice,
  'a bolt left out of every stage': boltLeftOut,
  'a bolt left out after loosening': boltOutOfLastStage,
  'an angle with a digit too many': angleDigits(10),
  'an angle with a digit missing': angleDigits(0.1),
  'an angle typed as a torque': angleAsTorque,
  'the first torque typed as an angle': torqueAsAngle,
  'a value forgotten': valueForgotten,
  'a torque in degrees': unitOfOtherKind,
  'a range turned round': rangeTurned,
  'a stretch bolt marked as reusable': stretchBoltReused,
  'a class without its point': classSlip,
  'a thread two sizes too small': sizeSlip,
  'the compound forgotten': compoundForgotten,
  'two compounds in one place': compoundTwice,
  'a tool that is never taken out': toolLeftIn,
  'a tool that was never put in': toolNeverIn,
  'a clock turned round': clockTurned,
  'a pair with an unknown cylinder': pairUnknown,
  'a crank angle of an unknown cylinder': crankUnknown,
  'an answer that leads back to nothing': backNowhere,
  'a step at a stage that is not there': stepAtUnknownStage,
  'no answer that leads here': answerElsewhere,
  'a trial that is never opened': trialStays,
  'the loosening forgotten': loosenForgotten,
  'loosened at the end': endsLoose,
  'build dates turned round': datesTurned,
  'a measuring limit turned round': limitTurned,
  'less torque after more on one bolt': eachFalls,
  'oil into coolant': oilInCoolant,
};
