import { isInchThread } from '../thread';
import { textAt, textsOf } from '../language';
import { procedureWords } from '../language/en/procedureWords';
import type { Formatter } from '../quantity';
import { groupOfSeat } from './stageFacts';
import type { Group, Sheet } from './sheet';
import type { Stage } from './stage';
import type { Compound, Step } from './step';

const text = textsOf('procedureWords', procedureWords);

/** What a sheet says, in a technician's words: the same on screen and on paper. */
export const REUSE_TEXT: Readonly<Record<Group['reuse'], string>> = text.reuse;

/** A compound by the name it has in a file. */
export const compoundKindText = (kind: string): string => textAt(text.kinds, kind) ?? kind;
export const compoundPlaceText = (place: string): string => textAt(text.places, place) ?? place;

/**
 * @example compoundText({ kind: 'thread-locker', place: 'threads', strength: 'medium' }) //
 * 'medium-strength threadlocker on threads'
 */
export function compoundText(compound: Compound): string {
  const { strength, preApplied, lengthMm } = compound;
  const what = compoundKindText(compound.kind);
  const kind = strength ? text.strength[strength]({ kind: what }) : what;
  const place = compoundPlaceText(compound.place);
  const on = lengthMm
    ? text.compoundLength({ kind, place, mm: lengthMm })
    : text.compound({ kind, place });
  return preApplied ? `${on}${text.preApplied[preApplied]}` : on;
}

/** @example threadText(headBolts, 10, format) // '10 × M10 × 1.5, 10.9' */
export function threadText(
  { thread, propertyClass }: Group,
  count: number,
  format: Formatter,
): string {
  const pitch = isInchThread(thread.designation) ? '' : ` × ${format.number(thread.pitchMm, 2)}`;
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
  if (stage.trial) return text.stageKind.trial;
  if (stage.with === 'oldPartAsTool') return text.stageKind.oldPart;
  if (stage.action === 'check')
    return stage.finalTorque ? text.stageKind.floor : text.stageKind.check;
  if (stage.action === 'swap') return text.stageKind.swap;
  return stage.purpose === 'seating' ? text.stageKind.seating : '';
}

/**
 * A stage as the head of a column: its value or name, and in a word what kind it is where it is no
 * plain tightening.
 */
export function stageHead(stage: Stage, format: Formatter): string {
  const { headKind } = text;
  const kind = stage.trial
    ? headKind.trial
    : stage.with === 'oldPartAsTool'
      ? headKind.oldPart
      : stage.action === 'check'
        ? stage.finalTorque
          ? headKind.floor
          : headKind.check
        : stage.purpose === 'seating'
          ? headKind.seating
          : '';
  const words = stageWords(stage, format);
  return kind && !words.toLowerCase().includes(kind) ? `${words}, ${kind}` : words;
}

/** What else the sheet says of a stage: which value of a range, and whether it takes two people. */
export function stageMore(stage: Stage, stages: readonly Stage[], format: Formatter): string[] {
  const { target, sameAs, helper } = stage;
  const recommended = target && 'min' in target ? target.recommended : undefined;
  return [
    ...(target && recommended !== undefined
      ? [text.recommended({ value: format.published({ value: recommended, unit: target.unit }) })]
      : []),
    ...(sameAs === undefined
      ? []
      : [text.sameAs({ stage: stages.find((s) => s.id === sameAs)?.name ?? sameAs })]),
    ...(helper === undefined ? [] : [text.twoPeople({ what: helper })]),
  ];
}

/** What else the sheet says of a step: where its compound goes, and whether it takes two people. */
export function stepMore({ compound, alsoOn = [], helper }: Step): string[] {
  const on = compound && compoundText(compound);
  return [
    ...(on === undefined
      ? []
      : [
          alsoOn.length === 0
            ? on
            : text.alsoOn({ compound: on, places: alsoOn.map(compoundPlaceText).join(', ') }),
        ]),
    ...(helper === undefined ? [] : [text.twoPeople({ what: helper })]),
  ];
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
  const named = { noun: nounText(groupOfSeat(sheet, seat)), seat };
  return life === '1' ? text.named(named) : text.namedNew(named);
}

/** What a fastener of a group is called. @example nounText(headNuts) // 'nut' */
export const nounText = (group: Pick<Group, 'head' | 'name'>): string => text.nouns[nounOf(group)];

/** How often a stage goes round, where it is not once. */
export function repeatWords({ repeat }: Stage): string {
  switch (repeat?.kind) {
    case 'untilSettled':
      return text.repeat.untilSettled({ deg: repeat.movedMoreThanDeg, n: repeat.maxPasses });
    case 'untilSeated':
      return text.repeat.untilSeated({ n: repeat.maxRounds });
    case 'passes':
      return text.repeat.passes({ n: repeat.passes });
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
      return text.due.before({ stage: name(due.stage) });
    case 'after':
      return text.due.after({ stage: name(due.stage) });
    case 'beforeFirstPull':
      return text.due.beforeFirstPull;
    case 'atFailure':
      return text.due[due.failure];
  }
}

/** The kinds a lead chooses from, as they stand in files. */
export const JOINT_KIND_IDS: readonly string[] = Object.keys(procedureWords.joints);
/** A kind of joint in words; one that is not known here as it is written. */
export const jointKindText = (kind: string): string =>
  textAt(text.joints, kind) ?? kind.charAt(0).toUpperCase() + kind.slice(1).replace(/-/g, ' ');
