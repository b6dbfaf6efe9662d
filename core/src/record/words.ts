import { seatIdOf, type Deviation, type FailureKind, type Method, type Outcome } from '../run';
import {
  pullsIn,
  takesPart,
  type RecordedFastener,
  type RecordedPull,
  type RunRecord,
} from './runRecord';
import { groupOfSeat, nounOf, type Stage } from '../procedure';
import type { Formatter } from '../quantity';
import type { RecordedSight } from './stepSights';

/** The words of a record: the same on the screen, on paper and in what goes out. */
export const DEVIATION_TEXT: Record<Deviation['kind'], string> = {
  stoppedShort: 'stopped short of its target',
  above: 'turned past its window',
  notSettled: 'a stage that did not settle was gone on from',
  notSeated: 'a part that did not seat was gone on from',
  replaced: 'replaced by a new one',
  leftOut: 'left out by the lead',
  angleStands: 'has an angle on a torque that was put right later',
  added: 'turned or eased outside the sheet',
  holdPending: 'a hold point was gone on from',
  belowFloor: 'below the published floor',
  calibration: 'tightened with a wrench out of calibration',
  outOfLimits: 'a measurement outside its limits was gone on from',
  stepAbandoned: 'a step was given up',
  reused: 'a one-time-use fastener was used again',
  byFeel: 'seated by feel',
  claimDone: 'done on the device that held the run before',
  redone: 'turned again after it had been done elsewhere',
  overran: 'open time overrun, started over',
  holdFailed: 'a hold point was not as it should be; gone back',
  notCovered: 'continued without a pull on record',
};
export const DECIDED_TEXT = { allow: 'approved by', refuse: 'refused by' } as const;

export const METHOD_TEXT: Record<Method, string> = {
  click: 'click wrench',
  dial: 'dial wrench',
  digital: 'digital wrench',
  angleGauge: 'angle gauge',
  printedDisc: 'printed disc',
  byEye: 'by eye',
  byFeel: 'by feel',
  stripe: 'read off the stripe',
  confirmedTogether: 'confirmed together',
  byHand: 'by hand',
  powerTool: 'power tool',
  stretchGauge: 'stretch gauge',
};
export const OUTCOME_TEXT: Record<Outcome, string> = {
  clicked: 'clicked',
  turned: 'turned',
  heldStill: 'did not turn',
  reached: 'turned',
  done: 'done',
  noClick: 'no click',
  stoppedShort: 'stopped short',
};
/** In a table: a click says that the value was reached, and is no measured number. */
const CELL_TEXT: Record<Outcome, string> = {
  clicked: 'click',
  turned: 'click',
  heldStill: 'held',
  reached: '',
  done: 'done',
  noClick: 'no click',
  stoppedShort: 'short',
};

export const SAID_TEXT = {
  allow: 'allowed',
  refuse: 'refused',
  passed: 'released',
  failed: 'did not release',
  single: 'decided for the new one alone',
  redo: 'decided to begin anew',
  leaveOut: 'left out',
  note: 'noted',
} as const;
export const ABOUT_TEXT = {
  run: '',
  deviation: 'what happened at',
  reuse: 'used ones of',
  wrench: 'wrench',
  compound: 'another compound on',
  step: 'step',
  hold: 'hold point',
  fastener: 'place',
} as const;
const ATTEMPT_TEXT: Record<string, string> = {
  worked: 'it worked',
  didNot: 'it did not',
  stop: 'stopped there',
};
const FAILURE_TEXT: Record<FailureKind, string> = {
  broke: 'It broke',
  stripped: 'The thread stripped',
  crossThreaded: 'Cross-threaded',
  bottomed: 'On the bottom of its hole',
  driveRounded: 'The drive rounded',
  angleLost: 'The angle was lost',
  wontStartByHand: 'Would not start by hand',
  wontLoosen: 'Would not loosen',
  stepAbandoned: 'Given up',
};

/** The first one in a hole is named by the hole alone. @example boltLabel('4/1') // '4' */
export const boltLabel = (fastener: string): string => fastener.replace(/\/1$/, '');
/** In a table both lives of a replaced one are told apart. */
export const fastenerLabel = ({
  fastener,
  seat,
  replaced,
}: Pick<RecordedFastener, 'fastener' | 'seat' | 'replaced'>): string =>
  fastener.endsWith('/1') && !replaced ? seat : fastener;

/**
 * What stands on a fastener after a stage, for a table; empty where it takes no part, a dot where
 * nothing was done.
 */
export function cellText(
  record: RunRecord,
  fastener: RecordedFastener,
  stage: Stage,
  format: Pick<Formatter, 'quantity' | 'angle'>,
): string {
  if (!takesPart(record.sheet, stage, fastener.fastener)) return '';
  const pulls = pullsIn(fastener, stage);
  const last = pulls.at(-1);
  if (!last) return '·';
  const value =
    last.target?.unit === 'deg'
      ? angleText(pulls, last, last.target.value, format)
      : torqueText(last, format);
  return last.method === 'confirmedTogether' ? `${value}, together` : value;
}

function torqueText(last: RecordedPull, format: Pick<Formatter, 'quantity'>): string {
  const read = last.onBolt ? format.quantity(last.onBolt).text : CELL_TEXT[last.outcome];
  return last.pass > 1 ? `${read}, ${last.pass} rounds` : read;
}

function angleText(
  pulls: readonly RecordedPull[],
  last: RecordedPull,
  targetDeg: number,
  format: Pick<Formatter, 'angle'>,
): string {
  if (last.outcome === 'stoppedShort' && !last.reading) return CELL_TEXT.stoppedShort;
  const measured = pulls.filter((p) => p.reading);
  if (measured.length < pulls.length) return format.angle(targetDeg);
  return format.angle(
    last.method === 'stripe'
      ? (last.onBolt?.value ?? 0)
      : pulls.reduce((sum, p) => sum + (p.reading?.value ?? 0), 0),
  );
}

/** The other kinds of entries in one line: the word before, and what it is about. */
const SIGHT_TITLE: Partial<Record<RecordedSight['kind'], string>> = {
  hold: 'Hold point',
  round: 'Drawn on',
  waited: 'Waited',
  replaced: 'Replaced',
  chosen: 'Chosen from the range',
  tool: 'Tool',
  striped: 'Stripes painted',
  looked: 'Neighbors checked',
  slackened: 'Slackened',
  startedOver: 'Slackened and started over',
  overran: 'Open time overrun',
  added: 'Added',
  setAside: 'Set aside',
  tookOver: 'Taken over by',
};
const FITTED_TEXT: Record<string, string> = {
  new: 'New',
  ownHole: 'Back in its own hole',
  other: 'Used, from another place',
};
const ADDED_TEXT: Record<string, string> = {
  torque: 'torque beside the sheet',
  angle: 'angle beside the sheet',
  loosen: 'eased beside the sheet',
};
const DECISION_TEXT: Record<string, string> = {
  passed: 'as it should be',
  failed: 'not as it should be',
  pendingLead: 'continued, waits for the lead',
  reallyDone: 'really done',
  redone: 'redone since',
  notDone: 'not done',
  turnOn: 'turned on to the target',
};

/** What was seen, measured, tried or kept, in one line. */
export function sightTitle(s: RecordedSight): string {
  const bolts = s.fasteners.map(boltLabel).join(', ');
  if (s.kind === 'fitted') return `Fitted: ${bolts}`;
  if (s.kind === 'added') return `Added: ${ADDED_TEXT[s.what] ?? s.what}, ${bolts}`;
  const title = SIGHT_TITLE[s.kind];
  if (title) return [title, s.what || bolts].filter(Boolean).join(': ');
  if (s.kind === 'bagged') return `${s.what}: ${bolts}`;
  if (s.kind === 'tried') return `${bolts ? `${bolts}, tried: ` : 'Tried: '}${s.what}`;
  if (s.kind === 'failed') return `${s.failure ? FAILURE_TEXT[s.failure] : ''}: ${bolts || s.what}`;
  return s.what;
}

export function sightResult(s: RecordedSight, format: Pick<Formatter, 'quantity'>): string {
  const values = s.values
    .map(({ row, value }) => `${row ? `${row}: ` : ''}${format.quantity(value).text}`)
    .join('; ');
  return [resultText(s), values].filter(Boolean).join(' · ');
}

function resultText({ kind, what, result }: RecordedSight): string {
  if (kind === 'fitted') return FITTED_TEXT[what] ?? what;
  if (kind === 'tried') return ATTEMPT_TEXT[result] ?? result;
  if (kind === 'hold') return DECISION_TEXT[result] ?? result;
  if (kind === 'replaced')
    return result.replace(/^(new|ownHole|other)/, (c) => FITTED_TEXT[c] ?? c);
  if (kind === 'tool') return METHOD_TEXT[result as Method] ?? result;
  return kind === 'round' ? `round ${result}` : result;
}

/** A deviation in one line. @param people names by id */
export function deviationText(
  record: RunRecord,
  d: RunRecord['deviations'][number],
  people: Readonly<Record<string, string>>,
): string {
  const stage = record.sheet.stages.find((s) => s.id === d.stage)?.name ?? '';
  const by = record.said.findLast((s) => s.of === d.event)?.person;
  const decided = d.decision
    ? `${DECIDED_TEXT[d.decision]} ${(by && people[by]) ?? 'the lead'}`
    : d.needsLead
      ? 'waits for the lead'
      : '';
  const at = d.fastener
    ? `${nounOf(groupOfSeat(record.sheet, seatIdOf(d.fastener)))} ${boltLabel(d.fastener)}`
    : '';
  return [
    at && at.charAt(0).toUpperCase() + at.slice(1),
    stage,
    DEVIATION_TEXT[d.kind],
    people[d.person] ?? '',
    decided,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What somebody with the right said, in a sentence without its time. */
export function saidText(
  s: RunRecord['said'][number],
  people: Readonly<Record<string, string>>,
): string {
  const words = s.text ? ` ${s.text.replace(/\.$/, '')}.` : '';
  if (s.about === 'run') return `${people[s.person] ?? ''} ${SAID_TEXT[s.decision]}:${words}`;
  return `${people[s.person] ?? ''} ${SAID_TEXT[s.decision]}: ${ABOUT_TEXT[s.about]}${s.name ? ` ${s.name}` : ''}.${words}`;
}
