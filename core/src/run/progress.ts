import { groupOfSeat, orderOf, stageAt, stageIndex, type Sheet } from '../procedure';
import { advance, closeStage, withSeat, withSeats, without } from './advance';
import { stageOfPlace } from './clocks';
import { noted } from './deviation';
import type { EventOf, RunEvent } from './events';
import { foldHeld, foldRestart, foldUsed } from './foldHeld';
import { foldPull, timeOf } from './foldPull';
import { foldAdded, foldPass } from './foldPass';
import { foldStep } from './foldStep';
import { foldSwap } from './foldSwap';
import { foldReconciled, foldTakeOver } from './foldTakeOver';
import { goBack } from './goBack';
import { fastenerId, lifeOf, LOOSE, seatBehind, seatIdOf, seatOf } from './seats';
import type { Progress, SeatProgress } from './state';
import { SETTLED } from './steps';
import { taskNamed, valueKey } from './task';
import { settingKey, toolFor } from './tools';

const FRESH: Omit<SeatProgress, 'seat'> = {
  ...LOOSE,
  life: 1,
  fitted: null,
  done: {},
  yielded: false,
  usedUp: null,
  leftOut: false,
};

export function initialProgress(sheet: Sheet): Progress {
  return {
    stage: 0,
    pass: 1,
    countedPasses: 0,
    disturbed: false,
    round: 1,
    seats: Object.fromEntries(sheet.seats.map((s) => [s.id, { seat: s.id, ...FRESH }])),
    inPass: {},
    lastPass: {},
    tools: {},
    settings: {},
    values: {},
    steps: {},
    times: {},
    since: null,
    waited: {},
    deviations: [],
    hold: null,
    claims: [],
    allowed: {},
    neighbours: [],
    bags: {},
    ladder: {},
    toSlacken: [],
    toReconcile: [],
  };
}

/**
 * One confirmation that counts, folded in. Never refuses: what does not fit any more after a
 * correction has no effect.
 */
export function fold(sheet: Sheet, p: Progress, event: RunEvent): Progress {
  switch (event.type) {
    case 'started':
      return foldStart(sheet, p, event);
    case 'valueChosen':
      return {
        ...p,
        values: {
          ...p.values,
          [valueKey(event.payload.stage, event.payload.part)]: event.payload.value,
        },
      };
    case 'fitted':
      return foldFitted(sheet, p, event);
    case 'wrenchChosen':
      return foldTool(p, event);
    case 'wrenchSet':
      return foldSetting(sheet, p, event);
    case 'stepDone':
      return foldStep(sheet, p, event);
    case 'pulled':
      return foldPull(sheet, p, event);
    case 'passConfirmed':
      return foldPass(sheet, p, event);
    case 'roundDone':
      return foldRound(sheet, p, event);
    case 'waited':
      return foldWaited(sheet, p, event);
    case 'overran':
      return foldOverrun(sheet, p, event);
    case 'held':
      return foldHeld(sheet, p, event);
    case 'used':
      return foldUsed(sheet, p, event);
    case 'swapped':
      return foldSwap(sheet, p, event);
    case 'setAside':
      return foldAside(sheet, p, event);
    case 'failed':
      return foldFailure(p, event);
    case 'added':
      return foldAdded(sheet, p, event);
    case 'bagged':
      return foldBagged(p, event);
    case 'slackened':
      return { ...p, toSlacken: p.toSlacken.filter((f) => !event.payload.fasteners.includes(f)) };
    case 'restarted':
      return foldRestart(sheet, p, event);
    case 'tookOver':
      return foldTakeOver(sheet, p);
    case 'reconciled':
      return foldReconciled(sheet, p, event);
    default:
      return p;
  }
}

/** Where an earlier run left off: its fasteners are in and tight; what was prepared is done. */
function foldStart(sheet: Sheet, p: Progress, event: EventOf<'started'>): Progress {
  const { part, fasteners, prepared, leftOut, values = {} } = event.payload;
  const lives = new Map((fasteners ?? []).map((f) => [seatIdOf(f), lifeOf(f)]));
  const isLater = part !== undefined && part !== 'procedure';
  const seats = withSeats(p, (s) => ({
    ...s,
    life: lives.get(s.seat) ?? s.life,
    fitted: isLater ? 'asLeft' : s.fitted,
  }));
  const steps = Object.fromEntries((prepared ?? []).map((id) => [id, SETTLED]));
  const out = (leftOut ?? []).reduce<Progress>((at, id) => stillOut(at, event, id), seats);
  return {
    ...out,
    values,
    steps,
    since: event.deviceTime,
    times: Object.fromEntries((prepared ?? []).map((id) => [`step:${id}`, event.deviceTime])),
  };
}

/** What an earlier run of the joint left out is not asked for, and stands on this record too. */
function stillOut(p: Progress, event: EventOf<'started'>, id: string): Progress {
  const seat = p.seats[id];
  return seat
    ? noted(withSeat(p, { ...seat, leftOut: true }), event, 'leftOut', {
        fastener: fastenerId(id, seat.life),
        stage: '',
      })
    : p;
}

function foldFitted(sheet: Sheet, p: Progress, event: EventOf<'fitted'>): Progress {
  return event.payload.fasteners.reduce<Progress>((at, { fastener, condition }) => {
    const seat = seatOf(at, fastener);
    if (lifeOf(fastener) !== seat.life) return at;
    const fitted = withSeat(at, { ...seat, fitted: condition });
    const group = groupOfSeat(sheet, seat.seat);
    // Only the lead's approval let it in: it is on the record with the allowance.
    const isLeadsWord =
      group.reuse === 'replace' &&
      condition !== 'new' &&
      at.allowed[`reuse:${group.id}`] !== undefined;
    return isLeadsWord ? noted(fitted, event, 'reused', { fastener, stage: '' }) : fitted;
  }, p);
}

function foldTool(p: Progress, event: EventOf<'wrenchChosen'>): Progress {
  const { stage, part, method, wrench, pendingLead } = event.payload;
  const key = part ? `${stage}.${part}` : stage;
  const tools = { ...p.tools, [key]: { method, wrench } };
  const settings = without(p.settings, wrench ? `wrench:${wrench.id}` : `gauge:${key}`);
  const chosen = { ...p, tools, settings };
  return pendingLead && wrench
    ? noted(chosen, event, 'calibration', { stage, wrench: wrench.id })
    : chosen;
}

function foldSetting(sheet: Sheet, p: Progress, event: EventOf<'wrenchSet'>): Progress {
  const task = taskNamed(sheet, p, event.payload);
  const tool = task && toolFor(sheet, p, task);
  return tool
    ? { ...p, settings: { ...p.settings, [settingKey(tool, task)]: event.payload.setting } }
    : p;
}

/** drawDown: round after round until it is seated. draw: the part is on to its gap. */
function foldRound(sheet: Sheet, p: Progress, event: EventOf<'roundDone'>): Progress {
  if (stageIndex(sheet, event.payload.stage) !== p.stage || event.payload.round !== p.round)
    return p;
  const stage = stageAt(sheet, p.stage);
  if (event.payload.seated) {
    // Drawn down, every fastener of the round is under load: going back over it has to slacken
    // them.
    const drawn =
      stage.action === 'drawDown'
        ? Object.fromEntries(orderOf(sheet, p.stage).map((id) => [id, { moved: false }]))
        : {};
    return advance(sheet, closeStage(sheet, { ...p, inPass: drawn }, timeOf(event)), timeOf(event));
  }
  const most = stage.repeat?.kind === 'untilSeated' ? stage.repeat.maxRounds : 1;
  if (p.round >= most)
    return {
      ...p,
      hold: { kind: 'notSeated', stage: stage.id, notSeated: event.payload.notSeated ?? [] },
    };
  return { ...p, round: p.round + 1 };
}

function foldWaited(sheet: Sheet, p: Progress, event: EventOf<'waited'>): Progress {
  const { clock, stage } = event.payload;
  if (clock) return { ...p, waited: { ...p.waited, [clock]: true } };
  if (!stage || stageIndex(sheet, stage) !== p.stage) return p;
  return advance(sheet, closeStage(sheet, p, event.deviceTime), event.deviceTime);
}

/**
 * Open too long: stop, clean off, and go back to where the clock began. What was put off then is
 * due in its place: put off again it would be too late again.
 */
function foldOverrun(sheet: Sheet, p: Progress, event: EventOf<'overran'>): Progress {
  const clock = sheet.clocks.find((c) => c.id === event.payload.clock);
  if (!clock) return p;
  const loose = goBack(
    sheet,
    p,
    Math.min(p.stage, stageOfPlace(sheet, clock.from)),
    event.deviceTime,
  );
  const putOff = Object.keys(loose.steps).filter((id) => loose.steps[id]?.deferredTo);
  const back = { ...loose, steps: without(loose.steps, ...putOff) };
  if (!('step' in clock.from)) return noted(back, event, 'overran', { stage: clock.from.stage });
  const { step } = clock.from;
  return noted(
    { ...back, steps: without(back.steps, step), times: without(back.times, `step:${step}`) },
    event,
    'overran',
    { stage: step },
  );
}

/**
 * Half-way through its own list a fastener counts as eased and begins it again; an angle begun is
 * an angle lost.
 */
function foldAside(sheet: Sheet, p: Progress, event: EventOf<'setAside'>): Progress {
  const seat = seatOf(p, event.payload.fastener);
  if (lifeOf(event.payload.fastener) !== seat.life) return p;
  const hasBegunAngle =
    seat.parts > 0 &&
    stageAt(sheet, p.stage).each?.some(
      (part) => seat.turnedDeg[`${stageAt(sheet, p.stage).id}.${part.id}`] !== undefined,
    );
  if (hasBegunAngle) return withSeat(p, { ...seat, parts: 0, failed: 'angleLost' });
  if (seatBehind(sheet, p)?.seat === seat.seat)
    return advance(sheet, withSeat(p, { ...seat, parts: 0, lagAt: p.stage }), event.deviceTime);
  const isTwice = seat.aside > 0;
  const mayLag = p.stage < sheet.stages.length && stageAt(sheet, p.stage).mayLag === true;
  const put: SeatProgress = {
    ...seat,
    parts: 0,
    ...(isTwice && mayLag ? { aside: 0, lagAt: p.stage } : { aside: isTwice ? 2 : 1 }),
  };
  return advance(sheet, withSeat(p, put), event.deviceTime);
}

function foldBagged(p: Progress, { payload }: EventOf<'bagged'>): Progress {
  return {
    ...p,
    bags: {
      ...p.bags,
      ...Object.fromEntries(payload.fasteners.map((f) => [seatIdOf(f), payload.bag])),
    },
  };
}

function foldFailure(p: Progress, event: EventOf<'failed'>): Progress {
  const { fastener, step, kind } = event.payload;
  if (step) {
    const named = noted(p, event, 'stepAbandoned', { stage: step });
    return { ...named, steps: { ...p.steps, [step]: { ...SETTLED, then: 'stop' } } };
  }
  if (!fastener) return p;
  const seat = seatOf(p, fastener);
  return lifeOf(fastener) === seat.life ? withSeat(p, { ...seat, failed: kind, parts: 0 }) : p;
}
