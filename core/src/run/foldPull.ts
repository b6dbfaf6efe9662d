import { stageIndex, type Sheet } from '../procedure';
import { advance, withSeat } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { slackened } from './goBack';
import { type Judgement } from './judge';
import { hasTurned, seatOf } from './seats';
import type { OpenHold, Progress, SeatProgress } from './state';
import { taskOf, type Task } from './task';
import { placeOf, taskIn, judgePull, type Place, type Pull } from './judgePull';

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
