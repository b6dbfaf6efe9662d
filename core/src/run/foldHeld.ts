import { stageAt, stageIndex, type Sheet } from '../procedure';
import { advance, closeStage, withSeat, withSeats, without } from './advance';
import { noted, resolved } from './deviation';
import type { EventOf, RunEvent } from './events';
import { foldPull } from './foldPull';
import { redoJoint, single } from './foldSwap';
import { goBack, redoSeat } from './goBack';
import { holdBut } from './hold';
import { lifeOf, seatIdOf, seatOf } from './seats';
import type { DeviationKind, OpenHold, Progress } from './state';
import type { Claim } from './statement';
import { SETTLED } from './steps';

export function foldHeld(sheet: Sheet, p: Progress, event: EventOf<'held'>): Progress {
  const { hold: key, decision } = event.payload;
  const claim = p.claims.find((c) => c.event === key);
  if (claim) return foldClaim(sheet, p, event, claim);
  if (decision === 'turnOn') return foldTurnOn(sheet, p, key);
  const stage = sheet.stages[p.stage];
  if (stage?.action === 'hold' && stage.id === key) return named(sheet, p, event, decision);
  const open = p.hold ?? notCovered(p, event);
  if (!open || open.stage !== key || decision !== 'pendingLead') return p;
  return goOn(sheet, p, event, open);
}

/** A named hold point: as it should be, or back to the stage that the sheet names. */
function named(
  sheet: Sheet,
  p: Progress,
  event: RunEvent,
  decision: EventOf<'held'>['payload']['decision'] | 'single' | 'redo',
): Progress {
  const stage = stageAt(sheet, p.stage);
  const at = event.deviceTime;
  if (decision === 'passed') return advance(sheet, closeStage(sheet, { ...p, hold: null }, at), at);
  if (decision === 'pendingLead')
    return advance(
      sheet,
      closeStage(sheet, noted({ ...p, hold: null }, event, 'holdPending', { stage: stage.id }), at),
      at,
    );
  const to = stage.ifNot === undefined ? -1 : stageIndex(sheet, stage.ifNot);
  const failed = noted(p, event, 'holdFailed', { stage: stage.id });
  return to >= 0
    ? goBack(sheet, failed, to, at)
    : { ...failed, hold: { kind: 'named', stage: stage.id, failed: true } };
}

const PENDING: Record<OpenHold['kind'], DeviationKind> = {
  notSettled: 'notSettled',
  notSeated: 'notSeated',
  named: 'holdPending',
  above: 'above',
  belowFloor: 'belowFloor',
  replaced: 'replaced',
  notCovered: 'notCovered',
};

/**
 * A finding of what no pull covers names its fastener: it is asked for at the end, and is no hold
 * of the fold's own.
 */
function notCovered(p: Progress, event: EventOf<'held'>): OpenHold | null {
  const { fastener, hold } = event.payload;
  return fastener ? { kind: 'notCovered', fastener, stage: hold } : null;
}

/**
 * What was refused because it stopped short is turned on to its target: what it has stays, what is
 * missing is asked for.
 */
function foldTurnOn(sheet: Sheet, p: Progress, deviation: string): Progress {
  const d = p.deviations.find(
    (x) => x.event === deviation && x.decision === 'refuse' && !x.resolved,
  );
  if (!d?.fastener) return p;
  const seat = seatOf(p, d.fastener);
  const open = withSeat(p, { ...seat, done: without(seat.done, d.stage) });
  const isHere = stageIndex(sheet, d.stage) === p.stage;
  return resolved(
    isHere ? { ...open, inPass: without(open.inPass, seat.seat) } : open,
    (x) => x.event === deviation,
  );
}

/** On, with the lead's decision pending: cannot be signed until it is given. */
function goOn(sheet: Sheet, p: Progress, event: RunEvent, open: OpenHold): Progress {
  const at = event.deviceTime;
  const free = noted({ ...p, hold: null }, event, PENDING[open.kind], {
    fastener: 'fastener' in open ? open.fastener : null,
    stage: open.stage,
  });
  if (open.kind === 'notSettled' || open.kind === 'notSeated')
    return advance(sheet, closeStage(sheet, free, at), at);
  if (open.kind !== 'belowFloor') return advance(sheet, free, at);
  const seat = seatOf(free, open.fastener);
  const isHere = stageIndex(sheet, open.stage) === free.stage;
  const through = isHere
    ? { ...free, inPass: { ...free.inPass, [seat.seat]: { moved: false } } }
    : withSeat(free, { ...seat, done: { ...seat.done, [open.stage]: true } });
  return advance(sheet, through, at);
}

/**
 * Late entries of an earlier device: really done, redone since, or not done. Nothing is merged
 * silently.
 */
function foldClaim(sheet: Sheet, p: Progress, event: EventOf<'held'>, claim: Claim): Progress {
  const rest = { ...p, claims: p.claims.filter((c) => c.event !== claim.event) };
  const about = { fastener: claim.fastener, stage: claim.stage };
  if (event.payload.decision === 'redone') return noted(rest, event, 'redone', about);
  if (event.payload.decision !== 'reallyDone') return rest;
  const named = noted(rest, event, 'claimDone', about);
  const seat = p.seats[seatIdOf(claim.fastener)];
  const isDue =
    seat &&
    lifeOf(claim.fastener) === seat.life &&
    stageIndex(sheet, claim.stage) === p.stage &&
    claim.pass === p.pass &&
    !p.inPass[seat.seat];
  if (!isDue) return named;
  const { payload: _held, ...envelope } = event;
  const reading =
    claim.turnedDeg === undefined
      ? {}
      : { reading: { value: claim.turnedDeg, unit: 'deg' as const } };
  return foldPull(sheet, named, {
    ...envelope,
    type: 'pulled',
    payload: {
      fastener: claim.fastener,
      stage: claim.stage,
      pass: claim.pass,
      outcome: 'reached',
      method: 'stripe',
      verdict: 'inTolerance',
      core: '',
      ...reading,
    },
  });
}

/**
 * What someone with the right has said: it takes effect where it is about something open, and
 * is on the record anyway.
 */
export function foldUsed(sheet: Sheet, p: Progress, event: EventOf<'used'>): Progress {
  const { statement } = event.payload;
  const at = event.deviceTime;
  switch (statement.kind) {
    case 'allowance': {
      const { about, decision } = statement;
      if ('deviation' in about) return decided(p, about.deviation, decision);
      const key =
        'reuse' in about
          ? `reuse:${about.reuse}`
          : 'wrench' in about
            ? `wrench:${about.wrench}`
            : 'step' in about
              ? `step:${about.step}`
              : `compound:${about.compound}`;
      return {
        ...p,
        allowed:
          decision === 'allow' ? { ...p.allowed, [key]: statement.id } : without(p.allowed, key),
      };
    }
    case 'release':
      return released(sheet, p, event, statement.hold, statement.decision, statement.fastener);
    case 'leaveOut': {
      const seat = seatOf(p, statement.fastener);
      if (lifeOf(statement.fastener) !== seat.life) return p;
      const out = withSeat(p, {
        ...seat,
        leftOut: true,
        failed: null,
        usedUp: null,
        aside: 0,
        parts: 0,
        lagAt: null,
      });
      return advance(
        sheet,
        noted({ ...out, hold: holdBut(p, statement.fastener) }, event, 'leftOut', {
          fastener: statement.fastener,
          stage: '',
        }),
        at,
      );
    }
    case 'preparation': {
      const steps = statement.steps.map((id) => [id, SETTLED] as const);
      const times = statement.steps.map((id) => [`step:${id}`, statement.at] as const);
      return {
        ...p,
        steps: { ...Object.fromEntries(steps), ...p.steps },
        times: { ...Object.fromEntries(times), ...p.times },
      };
    }
    case 'claims':
      return { ...p, claims: [...p.claims, ...statement.claims] };
    case 'signature':
    case 'note':
      return p;
  }
}

/** A refused step is due again; whatever else is refused stands as a hold until it is corrected. */
function decided(p: Progress, event: string, decision: 'allow' | 'refuse'): Progress {
  const deviations = p.deviations.map((d) =>
    d.event === event ? { ...d, decision, resolved: decision === 'refuse' && isOfStep(d.kind) } : d,
  );
  const steps =
    decision === 'refuse'
      ? deviations.filter((d) => d.event === event && isOfStep(d.kind)).map((d) => d.stage)
      : [];
  // A wrench that is not trusted is not taken up again by itself.
  const refused = deviations
    .filter((d) => d.event === event && decision === 'refuse' && d.wrench)
    .map((d) => d.wrench);
  const tools = Object.fromEntries(
    Object.entries(p.tools).filter(([, t]) => !refused.includes(t.wrench?.id)),
  );
  return { ...p, deviations, tools, steps: without(p.steps, ...steps) };
}
const isOfStep = (kind: DeviationKind): boolean =>
  kind === 'outOfLimits' || kind === 'stepAbandoned';

function released(
  sheet: Sheet,
  p: Progress,
  event: RunEvent,
  key: string,
  decision: 'passed' | 'failed' | 'single' | 'redo',
  fastener?: string,
): Progress {
  const open: OpenHold | null =
    p.hold ?? (fastener ? { kind: 'notCovered', fastener, stage: key } : null);
  if (open?.kind === 'replaced' && open.stage === key) {
    return decision === 'redo'
      ? redoJoint(sheet, { ...p, hold: null }, event.deviceTime)
      : single(sheet, p, seatIdOf(open.fastener), event.deviceTime);
  }
  const stage = sheet.stages[p.stage];
  if (stage?.action === 'hold' && stage.id === key) return named(sheet, p, event, decision);
  if (open && open.stage === key && decision === 'passed') {
    const after = goOn(sheet, p, event, open);
    return {
      ...after,
      deviations: after.deviations.map((d) =>
        d.event === event.id ? { ...d, decision: 'allow' } : d,
      ),
    };
  }
  return p;
}

/** Slackened and begun again: the joint from a stage on, or one fastener alone. */
export function foldRestart(sheet: Sheet, p: Progress, event: EventOf<'restarted'>): Progress {
  const { stage, fastener } = event.payload;
  if (fastener) {
    const seat = seatOf(p, fastener);
    if (lifeOf(fastener) !== seat.life) return p;
    return resolved(
      redoSeat(sheet, { ...p, hold: holdBut(p, fastener) }, seat),
      (d) => d.fastener === fastener,
    );
  }
  const to = stage ? stageIndex(sheet, stage) : -1;
  if (to < 0) return p;
  const back = goBack(sheet, p, Math.min(to, p.stage), event.deviceTime, true);
  return resolved(
    withSeats(back, (s) => ({ ...s, lagAt: null })),
    (d) => d.fastener === null,
  );
}
