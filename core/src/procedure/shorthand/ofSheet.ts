import { plainText } from '../../quantity';
import { isInchThread, threadOf } from '../../thread';
import type { Sheet } from '../sheet';
import type { Part, Stage, Target } from '../stage';
import { seatsOf } from '../stageFacts';
import { printLine } from './print';
import { RESERVED, type Line, type LineAction, type LinePart, type LineStage } from './line';

/** A sheet as a line, and what the line cannot say of it. */
export interface AsLine {
  line: Line;
  /** Places in the sheet that the line leaves out; pasting the line back never erases them. */
  unsaid: string[];
}

const SAYABLE: readonly Stage['action'][] = [
  'torque',
  'angle',
  'check',
  'loosen',
  'handStart',
  'runDown',
  'drawDown',
  'swap',
  'stretch',
  'wait',
  'each',
  'hold',
];
/** Fields of a stage that the line says, by themselves or through its form. */
const SAID: readonly string[] = [
  'id',
  'name',
  'on',
  'action',
  'target',
  'tolerance',
  'order',
  'repeat',
  'loosen',
  'waitUntil',
  'trial',
  'finalTorque',
  'purpose',
  'each',
];

export function lineOf(sheet: Sheet): AsLine {
  const groups = sheet.groups.map((g) => ({
    count: sheet.seats.filter((s) => s.group === g.id).length,
    designation: g.thread.designation.split(/[x×]/i)[0] ?? g.thread.designation,
    pitchMm: isInchThread(g.thread.designation)
      ? Number(threadOf(g.thread.designation).pitchMm.toPrecision(6))
      : g.thread.pitchMm,
    propertyClass: g.propertyClass,
    reuse: g.reuse,
    condition: g.frictionCondition,
    ...(sayable(g.name) ? { name: g.name } : {}),
    ...(isNamed(sheet, g.id) ? { id: g.id } : {}),
  }));
  const unsaid: string[] = [];
  const stages = sheet.stages.flatMap((stage, i) => {
    const said = stageOf(stage);
    if (!said) {
      unsaid.push(`stages.${i}`);
      return [];
    }
    unsaid.push(...left(stage).map((field) => `stages.${i}.${field}`));
    return [said];
  });
  for (const field of ['steps', 'clocks', 'takeApart', 'after', 'instances'] as const) {
    const value = sheet[field];
    if (Array.isArray(value) ? value.length > 0 : value !== undefined) unsaid.push(field);
  }
  return { line: { groups, stages }, unsaid };
}

/** Quotation marks end a name. */
const sayable = (words: string): boolean => words !== '' && !/["“”]/.test(words);

/** Stages call the fasteners by the group’s own name. */
const isNamed = (sheet: Sheet, id: string): boolean =>
  /^[A-Za-z][A-Za-z0-9-]*$/.test(id) &&
  sheet.stages.some((s) => s.on.includes(id) || s.order?.labels?.includes(id));

const left = (stage: Stage): string[] =>
  Object.entries(stage).flatMap(([field, value]) =>
    value === undefined || SAID.includes(field) || field === 'note'
      ? field === 'note' && value
        ? [field]
        : []
      : [field],
  );

function stageOf(stage: Stage): LineStage | undefined {
  if (
    !SAYABLE.includes(stage.action) ||
    stage.on.some((name) => RESERVED.includes(name.toLowerCase()) && name !== 'all')
  )
    return undefined;
  if (stage.order && (stage.order.start || stage.order.direction)) return undefined;
  const even = stage.tolerance
    ? stage.tolerance.plus === stage.tolerance.minus
      ? stage.tolerance.plus
      : null
    : undefined;
  if (even === null) return undefined;
  const wait =
    stage.waitUntil && 'minutes' in stage.waitUntil ? stage.waitUntil.minutes : undefined;
  if (stage.action === 'wait' && wait === undefined) return undefined;
  if (stage.action === 'hold' && !sayable(stage.name)) return undefined;
  const each = stage.each?.map(partOf);
  if (stage.action === 'each' && (!each || each.includes(undefined))) return undefined;
  return {
    on: [...stage.on],
    action: stage.action as LineAction,
    ...valueOf(stage.target),
    ...recommendedOf(stage.target),
    ...(even === undefined ? {} : { plusMinus: even }),
    ...(stage.action === 'loosen' ? { loosen: stage.loosen ?? 'free' } : {}),
    ...(wait === undefined ? {} : { minutes: wait }),
    ...(each ? { each: each as LinePart[] } : {}),
    ...(stage.action === 'hold' ? { text: stage.name } : {}),
    ...(stage.order ? { order: stage.order } : {}),
    ...(stage.repeat && stage.repeat.kind !== 'once' ? { repeat: stage.repeat } : {}),
    ...(stage.trial ? { trial: true as const } : {}),
    ...(stage.finalTorque ? { floor: true as const } : {}),
    ...(stage.purpose ? { purpose: stage.purpose } : {}),
  };
}

function partOf({ action, target, tolerance, loosen }: Part): LinePart | undefined {
  if (tolerance && tolerance.plus !== tolerance.minus) return undefined;
  return {
    action,
    ...valueOf(target),
    ...(tolerance ? { plusMinus: tolerance.plus } : {}),
    ...(action === 'loosen' ? { loosen: loosen ?? 'free' } : {}),
  };
}

const recommendedOf = (target: Target | undefined): Pick<LineStage, 'recommended'> =>
  target && 'min' in target && target.recommended !== undefined
    ? { recommended: target.recommended }
    : {};

function valueOf(target: Target | undefined): Pick<LineStage, 'value' | 'upTo'> {
  if (!target) return {};
  return 'value' in target
    ? { value: { value: target.value, unit: target.unit } }
    : { value: { value: target.min, unit: target.unit }, upTo: target.max };
}

/**
 * A line pasted onto a sheet: its stages replace those that a line can say, in order; what a line
 * cannot say stays where it was, and so does everything of a stage that is unchanged. Fasteners,
 * steps and places are not touched.
 */
export function withLine(sheet: Sheet, line: Line): Sheet {
  const kept = sheet.stages.map((stage) => ({ stage, said: stageOf(stage) }));
  let at = 0;
  const stages: Stage[] = [];
  for (const { stage, said } of kept) {
    if (!said) {
      stages.push(stage);
      continue;
    }
    const pasted = line.stages[at];
    at += 1;
    if (pasted) stages.push(isSame(pasted, said) ? stage : renewed(sheet, stage, pasted, line, at));
  }
  const taken = new Set(stages.map((s) => s.id));
  for (const pasted of line.stages.slice(at)) {
    at += 1;
    let n = at;
    while (taken.has(`stage-${n}`)) n += 1;
    taken.add(`stage-${n}`);
    stages.push(renewed(sheet, undefined, pasted, line, at, `stage-${n}`));
  }
  return { ...sheet, stages };
}

/** Two stages that are printed alike say the same. */
const isSame = (a: LineStage, b: LineStage): boolean =>
  printLine({ groups: [], stages: [a] }) === printLine({ groups: [], stages: [b] });

function renewed(
  sheet: Sheet,
  was: Stage | undefined,
  s: LineStage,
  line: Line,
  at: number,
  id = 'stage',
): Stage {
  const same = was?.action === s.action ? was : undefined;
  const target = targetFrom(s);
  const rest = same
    ? Object.fromEntries(Object.entries(same).filter(([field]) => !SAID.includes(field)))
    : {};
  return {
    ...rest,
    id: was?.id ?? id,
    name: nameOf(s),
    on: s.on[0] === 'rest' ? restOf(sheet, line.stages[at - 2]) : s.on,
    action: s.action,
    ...(s.order ? { order: s.order } : {}),
    ...(target ? { target } : {}),
    ...(s.plusMinus === undefined ? {} : { tolerance: { plus: s.plusMinus, minus: s.plusMinus } }),
    ...(s.purpose ? { purpose: s.purpose } : {}),
    ...(s.repeat ? { repeat: s.repeat } : {}),
    ...(s.loosen ? { loosen: s.loosen } : {}),
    ...(s.each ? { each: s.each.map((p, k) => partFrom(p, same?.each?.[k], k)) } : {}),
    ...(s.minutes === undefined ? {} : { waitUntil: { minutes: s.minutes } }),
    ...(s.trial ? { trial: s.trial } : {}),
    ...(s.floor ? { finalTorque: true } : {}),
  };
}

function targetFrom({
  value,
  upTo,
  recommended,
}: Pick<LineStage, 'value' | 'upTo' | 'recommended'>): Target | undefined {
  if (!value) return undefined;
  return upTo === undefined
    ? { value: value.value, unit: value.unit }
    : {
        min: value.value,
        max: upTo,
        unit: value.unit,
        ...(recommended === undefined ? {} : { recommended }),
      };
}

function partFrom(p: LinePart, was: Part | undefined, at: number): Part {
  const target = targetFrom(p);
  return {
    id: was?.action === p.action ? was.id : `part-${at + 1}`,
    action: p.action,
    ...(target ? { target } : {}),
    ...(p.plusMinus === undefined ? {} : { tolerance: { plus: p.plusMinus, minus: p.plusMinus } }),
    ...(p.loosen ? { loosen: p.loosen } : {}),
  };
}

/** Those that the stage before left out. */
function restOf(sheet: Sheet, before: LineStage | undefined): string[] {
  const named = new Set(before ? seatsOf(sheet, { on: before.on } as Stage).map((s) => s.id) : []);
  const rest = sheet.seats.filter((s) => !named.has(s.id)).map((s) => s.id);
  return rest.length > 0 ? rest : ['all'];
}

/** A stage that says its value is called by it. */
function nameOf(s: LineStage): string {
  if (s.action === 'hold') return s.text ?? '';
  if (s.each) return s.each.map((p) => nameOf({ on: [], ...p })).join(', then ');
  if (s.value)
    return `${s.action === 'angle' ? '+' : ''}${s.upTo === undefined ? '' : `${s.value.value}–`}${plainText({ value: s.upTo ?? s.value.value, unit: s.value.unit })}`;
  if (s.action !== 'loosen') return s.action;
  return typeof s.loosen === 'object'
    ? `back ${s.loosen.degrees}°`
    : s.loosen === 'crack'
      ? 'eased'
      : 'back fully';
}
