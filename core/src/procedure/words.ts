import type { Formatter } from '../quantity';
import { groupOfSeat } from './stageFacts';
import type { Group, Sheet } from './sheet';
import type { Stage } from './stage';
import type { Compound, Step } from './step';

/** What a sheet says, in a technician's words: the same on screen and on paper. */
export const REUSE_TEXT: Record<Group['reuse'], string> = {
  replace: 'used once: new ones only',
  'reuse-in-place': 'used again in their own holes',
  'reuse-if-within-length': 'used again if short enough',
  reuse: 'used again',
};

/**
 * @example compoundText({ kind: 'thread-locker', place: 'threads', strength: 'medium' }) //
 * 'medium-strength thread-locker on threads'
 */
export function compoundText({ kind, place, strength, preApplied, lengthMm }: Compound): string {
  const where = place === 'under head' ? 'the underside of the head' : place;
  const ready =
    preApplied === 'only'
      ? ', comes on it: add none'
      : preApplied === 'plus'
        ? ', comes on it'
        : '';
  return `${strength ? `${strength}-strength ` : ''}${kind} on ${where}${lengthMm ? `, ${lengthMm} mm` : ''}${ready}`;
}

/** @example threadText(headBolts, 10, format) // '10 × M10 × 1.5, 10.9' */
export function threadText(
  { thread, propertyClass }: Group,
  count: number,
  format: Formatter,
): string {
  const pitch = thread.designation.includes('/') ? '' : ` × ${format.number(thread.pitchMm, 2)}`;
  return `${count} × ${thread.designation}${pitch}, ${propertyClass}`;
}

/** A stage in as few words as fit beneath its sign: its value, else its name. */
export function stageWords(stage: Stage, format: Formatter): string {
  const { target } = stage;
  if (!target) return stage.name;
  return 'value' in target
    ? format.published(target)
    : `${format.quantity({ value: target.min, unit: target.unit }).number}–${format.published({ value: target.max, unit: target.unit })}`;
}

/**
 * What a stage is where it is no plain tightening: said on Tighten, on the sheet's page and on the
 * record alike.
 */
export function stageKindText(stage: Stage): string {
  if (stage.trial) return 'Trial';
  if (stage.with === 'oldPartAsTool') return 'With the old bolt';
  if (stage.action === 'check')
    return stage.finalTorque
      ? 'Floor check: click, hold, do not turn on'
      : 'Check pass: must not turn';
  if (stage.action === 'swap') return 'New one in';
  return stage.purpose === 'seating' ? 'Seating' : '';
}

/**
 * A stage as the head of a column: its value or name, and in a word what kind it is where it is no
 * plain tightening.
 */
export function stageHead(stage: Stage, format: Formatter): string {
  const kind = stage.trial
    ? 'trial'
    : stage.with === 'oldPartAsTool'
      ? 'old bolt'
      : stage.action === 'check'
        ? stage.finalTorque
          ? 'floor'
          : 'check'
        : stage.purpose === 'seating'
          ? 'seating'
          : '';
  const words = stageWords(stage, format);
  return kind && !words.toLowerCase().includes(kind) ? `${words}, ${kind}` : words;
}

/**
 * What a fastener is called in a sentence, by its group. @example nounOf({ head: 'nut', name:
 * 'Outer studs with nuts' }) // 'nut'
 */
export function nounOf({
  head,
  name,
}: Pick<Group, 'head' | 'name'>): 'bolt' | 'nut' | 'stud' | 'screw' {
  if (head === 'nut') return 'nut';
  if (/\bstuds?\b/i.test(name)) return 'stud';
  return /\bscrews?\b/i.test(name) ? 'screw' : 'bolt';
}

/**
 * A fastener for people, by its group; 7 is the first one there, a replacement says which. @example
 * fastenerName(sheet, '7/2') // 'bolt 7, new one'
 */
export function fastenerName(sheet: Sheet, fastener: string): string {
  const [seat = '', life] = fastener.split('/');
  const name = `${nounOf(groupOfSeat(sheet, seat))} ${seat}`;
  return life === '1' ? name : `${name}, new one`;
}

/** How often a stage goes round, where it is not once. */
export function repeatWords({ repeat }: Stage): string {
  switch (repeat?.kind) {
    case 'untilSettled':
      return `until nothing moves more than ${repeat.movedMoreThanDeg}°, at most ${repeat.maxPasses} passes`;
    case 'untilSeated':
      return `round after round until seated, at most ${repeat.maxRounds}`;
    case 'passes':
      return `${repeat.passes} passes`;
    default:
      return '';
  }
}

/** When a step comes due, by the name of its stage. */
export function dueWords(
  { due }: Step,
  { stages, takeApart }: { stages: readonly Stage[]; takeApart: readonly Stage[] },
): string {
  const name = (id: string): string =>
    [...stages, ...takeApart].find((s) => s.id === id)?.name ?? id;
  switch (due.when) {
    case 'before':
      return `before “${name(due.stage)}”`;
    case 'after':
      return `after “${name(due.stage)}”`;
    case 'beforeFirstPull':
      return 'before the first pull';
    case 'atFailure':
      return `when one ${FAILURE_WORDS[due.failure]}`;
  }
}

const FAILURE_WORDS: Record<Extract<Step['due'], { when: 'atFailure' }>['failure'], string> = {
  broke: 'broke',
  stripped: 'stripped',
  crossThreaded: 'went in crossed',
  driveRounded: 'lost its drive',
  wontLoosen: 'will not loosen',
};

const JOINT_KINDS: Record<string, string> = {
  'cylinder-head': 'Cylinder head',
  flywheel: 'Flywheel',
  clutch: 'Clutch',
  'exhaust-manifold': 'Exhaust manifold',
  'intake-manifold': 'Intake manifold',
  damper: 'Crank damper',
  'rod-cap': 'Rod caps',
  'cam-cap': 'Cam caps',
  'adapter-plate': 'Adapter plate',
  'bell-housing': 'Bell housing',
  pump: 'Pump',
  'oil-pan': 'Oil pan',
  'slave-cylinder': 'Slave cylinder',
  gearbox: 'Gearbox',
  other: 'Other joint',
};
/** The kinds a lead chooses from, as they stand in files. */
export const JOINT_KIND_IDS: readonly string[] = Object.keys(JOINT_KINDS);
/** A kind of joint in words; one that is not known here as it is written. */
export const jointKindText = (kind: string): string =>
  JOINT_KINDS[kind] ?? kind.charAt(0).toUpperCase() + kind.slice(1).replace(/-/g, ' ');
