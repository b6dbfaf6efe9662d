import { isOn, isOwedByPosition, stageAt, stageIndex, type Sheet } from '../procedure';
import { boltTorque, units, type Quantity } from '../quantity';
import { tooMuch, type TooMuch } from './tooMuch';
import { advance, withSeat, without } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { slackened } from './goBack';
import { judge, type Before, type Judgement } from './judge';
import { hasTurned, lifeOf, owedStage, seatOf, stripeBefore } from './seats';
import type { OpenHold, Progress, SeatProgress } from './state';
import { isTorque, taskOf, type Task } from './task';
import { toolFor } from './tools';

export type Pull = EventOf<'pulled'>['payload'];

/**
 * How a pull lies to what is due: in this pass, on one that is behind, beside it, or after a
 * correction past the present stage.
 */
type Place = 'here' | 'behind' | 'again' | 'beside' | 'later' | 'gone';

function placeOf(
  sheet: Sheet,
  p: Progress,
  pull: Pick<Pull, 'fastener' | 'stage' | 'pass'>,
): Place {
  const index = stageIndex(sheet, pull.stage);
  const seat = seatOf(p, pull.fastener);
  if (index < 0 || lifeOf(pull.fastener) !== seat.life) return 'gone';
  if (!isOn(sheet, index, seat.seat)) return 'beside';
  const owed = owedStage(sheet, seat);
  if (index > p.stage) return 'later';
  if (owed < index) return 'beside';
  if (owed > index) return 'again';
  if (index < p.stage) return 'behind';
  return pull.pass === p.pass ? 'here' : 'gone';
}

/** Judged by what this fastener had before. */
export function judgePull(
  sheet: Sheet,
  p: Progress,
  pull: Omit<Pull, 'verdict' | 'core'>,
): Judgement {
  const seat = seatOf(p, pull.fastener);
  const task = taskIn(sheet, p, seat, pull.stage);
  const reading = readingOn(sheet, p, pull);
  const { reading: _shown, ...said } = pull;
  return judge(task, beforeOf(sheet, p, seat, pull), {
    ...said,
    ...(reading ? { reading } : {}),
    isTooMuch: tooMuchOf(sheet, p, pull) !== null,
  });
}

/**
 * A reading that is far past anything the fastener or the wrench is made for, and why; null where
 * it is not.
 */
export function tooMuchOf(
  sheet: Sheet,
  p: Progress,
  pull: Omit<Pull, 'verdict' | 'core'>,
): { reading: Quantity; why: TooMuch } | null {
  const reading = readingOn(sheet, p, pull);
  if (!reading) return null;
  const seat = seatOf(p, pull.fastener);
  const task = taskIn(sheet, p, seat, pull.stage);
  if (task.target && units[task.target.unit].kind !== units[reading.unit].kind) return null;
  const before =
    task.action === 'angle' && pull.stripeDeg === undefined ? (seat.turnedDeg[task.key] ?? 0) : 0;
  const total = before > 0 ? { ...reading, value: reading.value + before } : reading;
  const why = tooMuch(sheet, seat, task, total, toolFor(sheet, p, task), pull.reading);
  return why && { reading, why };
}

/**
 * What a pull did to the fastener, of what was read: with a crowfoot the scale says another torque
 * than the bolt got, and a stripe shows all that was turned since it was painted.
 */
export function readingOn(
  sheet: Sheet,
  p: Progress,
  pull: Pick<Pull, 'fastener' | 'stage' | 'part' | 'method' | 'reading' | 'stripeDeg'>,
): Quantity | undefined {
  const seat = seatOf(p, pull.fastener);
  const task = taskIn(sheet, p, seat, pull.stage);
  if (pull.stripeDeg !== undefined) {
    const before = stripeBefore(seat, task.key);
    return before === null
      ? undefined
      : { value: Math.max(0, pull.stripeDeg - before), unit: 'deg' };
  }
  const wrench = isTorque(task.action) && pull.reading ? toolFor(sheet, p, task)?.wrench : null;
  return wrench && pull.reading ? boltTorque(wrench, pull.reading) : pull.reading;
}

const taskIn = (sheet: Sheet, p: Progress, seat: SeatProgress, stage: string): Task =>
  taskOf(sheet, p, stageIndex(sheet, stage), seat.parts);

function beforeOf(
  sheet: Sheet,
  p: Progress,
  seat: SeatProgress,
  pull: Omit<Pull, 'verdict' | 'core'>,
): Before {
  const task = taskIn(sheet, p, seat, pull.stage);
  const hadAngle =
    task.action === 'angle' &&
    seat.turnedDeg[task.key] !== undefined &&
    (p.inPass[seat.seat] !== undefined || placeOf(sheet, p, pull) === 'again');
  return {
    // A stripe shows all that was turned in the stage, a gauge only this pull.
    turnedDeg: pull.method === 'stripe' ? 0 : (seat.turnedDeg[task.key] ?? 0),
    untouched: mustTurn(sheet, p, seat, task),
    hadAngle: hadAngle && pull.method !== 'stripe',
  };
}

/**
 * The first torque on a fastener turns it, else something is wrong; not where an earlier run left
 * it tight.
 */
export function mustTurn(sheet: Sheet, p: Progress, seat: SeatProgress, task: Task): boolean {
  if (
    task.action !== 'torque' ||
    seat.fitted === 'asLeft' ||
    seat.catchUpPass > 1 ||
    p.inPass[seat.seat]
  )
    return false;
  if (task.stageIndex === p.stage && p.pass > 1) return false;
  const earlier = sheet.stages
    .slice(0, task.stageIndex)
    .some(
      (s, i) =>
        ['torque', 'angle', 'stretch', 'drawDown', 'draw', 'each'].includes(s.action) &&
        isOn(sheet, i, seat.seat),
    );
  return !earlier;
}

export function foldPull(sheet: Sheet, p: Progress, event: EventOf<'pulled'>): Progress {
  const pull = event.payload;
  const place = placeOf(sheet, p, pull);
  if (place === 'gone') return p;
  const seat = seatOf(p, pull.fastener);
  const skipped = skippedPart(sheet, seat, pull);
  if (skipped) return partStands(sheet, p, event, skipped);
  const task = taskIn(sheet, p, seat, pull.stage);
  if (place === 'later') return later(p, event, seat, task);
  if (place === 'beside') return beside(p, event, seat, task);
  const judged = judgePull(sheet, p, pull);
  const after = { ...turnedBy(sheet, seat, task, judged), failed: null };
  const named =
    judged.deviation && !judged.far
      ? noted(p, event, judged.deviation, { fastener: pull.fastener, stage: pull.stage })
      : p;
  const by =
    pull.method === 'byFeel'
      ? noted(named, event, 'byFeel', { fastener: pull.fastener, stage: pull.stage })
      : named;
  const next = withSeat(by, after);
  if (judged.belowFloor)
    return stoppedAt(next, event, {
      kind: 'belowFloor',
      fastener: pull.fastener,
      stage: pull.stage,
    });
  if (!judged.satisfied) return next;
  const through = throughTask(next, after, task, judged, place);
  if (judged.far)
    return stoppedAt(through, event, {
      kind: 'above',
      fastener: pull.fastener,
      stage: pull.stage,
      beyondYield: after.yielded,
    });
  return advance(sheet, through, timeOf(event));
}

/**
 * One hold at a time: while another is open (a correction can bring that about) this one stands for
 * the lead by name.
 */
function stoppedAt(
  p: Progress,
  event: EventOf<'pulled'>,
  hold: Extract<OpenHold, { kind: 'above' | 'belowFloor' }>,
): Progress {
  return p.hold
    ? noted(p, event, hold.kind, { fastener: hold.fastener, stage: hold.stage })
    : { ...p, hold };
}

/**
 * What a satisfied pull completes: a part, the fastener in this pass, or its own way through an
 * earlier stage.
 */
function throughTask(
  p: Progress,
  seat: SeatProgress,
  task: Task,
  judged: Judgement,
  place: Place,
): Progress {
  const parts = task.stage.each?.length ?? 1;
  if (task.part && seat.parts + 1 < parts) return withSeat(p, { ...seat, parts: seat.parts + 1 });
  const whole = { ...seat, parts: 0, aside: 0 as const };
  if (place === 'behind') return behind(p, whole, task, judged);
  return place === 'again' ? withSeat(p, whole) : marked(p, whole, judged);
}

export const timeOf = (event: { deviceTime: string; payload: object }): string =>
  'doneAt' in event.payload && typeof event.payload.doneAt === 'string'
    ? event.payload.doneAt
    : event.deviceTime;

const marked = (p: Progress, seat: SeatProgress, judged: Judgement): Progress => ({
  ...withSeat(p, seat),
  inPass: { ...p.inPass, [seat.seat]: { moved: judged.moved } },
});

/**
 * The part of an `each` stage that a pull was made for, where a correction has taken back the part
 * before it.
 */
function skippedPart(
  sheet: Sheet,
  seat: SeatProgress,
  pull: Pick<Pull, 'stage' | 'part'>,
): number | null {
  const at =
    sheet.stages.find((s) => s.id === pull.stage)?.each?.findIndex((x) => x.id === pull.part) ?? -1;
  return at > seat.parts ? at : null;
}

/**
 * An angle that was turned stands and is never asked for again: the lead decides about what it
 * stands on.
 */
function partStands(sheet: Sheet, p: Progress, event: EventOf<'pulled'>, at: number): Progress {
  const { fastener, stage: id } = event.payload;
  const index = stageIndex(sheet, id);
  const seat = seatOf(p, fastener);
  const task = taskOf(sheet, p, index, at);
  if (task.action !== 'angle') return p;
  const turned = event.payload.reading?.value ?? task.target?.value ?? null;
  const parts = at + 1 < (task.stage.each?.length ?? 1) ? at + 1 : 0;
  const stands: SeatProgress = {
    ...seat,
    parts,
    turnedDeg: { ...seat.turnedDeg, [task.key]: turned },
    yielded: seat.yielded || task.entersYield,
  };
  const named = noted(withSeat(p, stands), event, 'angleStands', { fastener, stage: id });
  if (parts > 0) return named;
  const isHere = index === p.stage;
  const through: Progress = isHere
    ? { ...named, inPass: { ...named.inPass, [seat.seat]: { moved: false } } }
    : withSeat(named, { ...stands, done: { ...seat.done, [id]: true } });
  return advance(sheet, through, timeOf(event));
}

/** What the pull did to the fastener itself. */
function turnedBy(sheet: Sheet, seat: SeatProgress, task: Task, judged: Judgement): SeatProgress {
  const yielded =
    seat.yielded || (task.entersYield && (judged.satisfied || (judged.turnedDeg ?? 0) > 0));
  const after = { ...seat, yielded };
  if (task.action === 'angle')
    return { ...after, turnedDeg: { ...seat.turnedDeg, [task.key]: judged.turnedDeg } };
  // A stripe says something only while nothing but angles turns the fastener.
  if (['torque', 'stretch', 'runDown', 'handStart'].includes(task.action))
    return hasTurned(seat) ? after : { ...after, marked: false, stripeFrom: 0 };
  if (task.action !== 'loosen') return after;
  const how = task.part ? task.part.loosen : task.stage.loosen;
  // A trial is opened again: a one-time-use fastener that it took past yield is used up.
  const opened = {
    ...(task.stage.trial ? slackened(sheet, after, 'trial') : after),
    marked: false,
    stripeFrom: 0,
  };
  if (typeof how === 'object')
    return { ...opened, turnedDeg: { ...seat.turnedDeg, [task.key]: -how.degrees } };
  return how === 'free' ? { ...opened, turnedDeg: {} } : opened;
}

/**
 * A fastener that catches up goes through each earlier stage alone; until settled means twice, the
 * last time without moving.
 */
function behind(p: Progress, seat: SeatProgress, task: Task, judged: Judgement): Progress {
  const { repeat } = task.stage;
  const wanted =
    repeat?.kind === 'passes' ? repeat.passes : repeat?.kind === 'untilSettled' ? 2 : 1;
  const isDone = judged.deviation !== null || (seat.catchUpPass >= wanted && !judged.moved);
  return withSeat(
    p,
    isDone
      ? { ...seat, done: { ...seat.done, [task.stage.id]: true }, catchUpPass: 1 }
      : { ...seat, catchUpPass: seat.catchUpPass + 1 },
  );
}

/**
 * An earlier pass was opened again by a correction: torques made since are asked again, angles
 * stand and the lead decides.
 */
function later(p: Progress, event: EventOf<'pulled'>, seat: SeatProgress, task: Task): Progress {
  const hasAngle =
    task.action === 'angle' || task.stage.each?.some((part) => part.action === 'angle');
  if (!hasAngle || seat.done[task.stage.id]) return p;
  const turned = event.payload.reading?.value ?? task.target?.value ?? null;
  const stands: SeatProgress = {
    ...seat,
    done: { ...seat.done, [task.stage.id]: true },
    turnedDeg: { ...seat.turnedDeg, [task.key]: turned },
    yielded: seat.yielded || task.entersYield,
  };
  return noted(withSeat(p, stands), event, 'angleStands', {
    fastener: event.payload.fastener,
    stage: task.stage.id,
  });
}

/**
 * Another fastener was turned than the one that was due: recorded as added; an angle there is an
 * angle lost.
 */
function beside(p: Progress, event: EventOf<'pulled'>, seat: SeatProgress, task: Task): Progress {
  const added = noted(p, event, 'added', {
    fastener: event.payload.fastener,
    stage: task.stage.id,
  });
  if (task.action !== 'angle') return added;
  return withSeat(added, {
    ...seat,
    failed: 'angleLost',
    yielded: seat.yielded || task.entersYield,
  });
}

/** Several confirmed together: each is a pull of its own, in the order named. */
export function foldPass(sheet: Sheet, p: Progress, event: EventOf<'passConfirmed'>): Progress {
  const { payload, ...envelope } = event;
  return payload.fasteners.reduce<Progress>(
    (at, fastener) =>
      foldPull(sheet, at, {
        ...envelope,
        type: 'pulled',
        payload: {
          fastener,
          stage: payload.stage,
          pass: payload.pass,
          outcome: payload.outcome,
          method: 'confirmedTogether',
          verdict: 'inTolerance',
          core: '',
          ...(payload.doneAt ? { doneAt: payload.doneAt } : {}),
        },
      }),
    p,
  );
}

/**
 * A fastener eased outside the sheet: at torque its last torque stage is asked again, at angle the
 * angle is lost.
 */
export function foldAdded(sheet: Sheet, p: Progress, event: EventOf<'added'>): Progress {
  const { fasteners, action } = event.payload;
  return fasteners.reduce<Progress>((at, fastener) => {
    const seat = seatOf(at, fastener);
    if (lifeOf(fastener) !== seat.life) return at;
    const stage = stageAt(sheet, Math.min(at.stage, sheet.stages.length - 1));
    const named = noted(at, event, 'added', { fastener, stage: stage.id });
    if (action === 'torque') return named;
    const turned = hasTurned(seat);
    if (action === 'angle')
      return withSeat(named, { ...seat, yielded: seat.yielded || turned, failed: 'angleLost' });
    return eased(
      sheet,
      { ...named, disturbed: true },
      turned ? { ...slackened(sheet, seat), failed: 'angleLost' } : slackened(sheet, seat),
    );
  }, p);
}

/**
 * Takes the last torque back from a fastener that came loose; one that has its angle is lost until
 * read or replaced.
 */
export function eased(sheet: Sheet, p: Progress, seat: SeatProgress): Progress {
  if (seat.failed) return withSeat(p, seat);
  if (
    p.inPass[seat.seat] &&
    p.stage < sheet.stages.length &&
    stageAt(sheet, p.stage).action === 'torque'
  ) {
    return withSeat({ ...p, inPass: without(p.inPass, seat.seat) }, seat);
  }
  const last = sheet.stages.findLast(
    (s, i) =>
      ['torque', 'stretch', 'each'].includes(s.action) &&
      seat.done[s.id] &&
      !isOwedByPosition(s) &&
      isOn(sheet, i, seat.seat),
  );
  return withSeat(p, last ? { ...seat, done: without(seat.done, last.id) } : seat);
}
