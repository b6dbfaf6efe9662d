import { type Sheet, stageAt, isOwedByPosition, isOn } from '../procedure';
import { withSeat, without } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { foldPull } from './foldPull';
import { slackened } from './goBack';
import { seatOf, lifeOf, hasTurned } from './seats';
import type { Progress, SeatProgress } from './state';

/** Several confirmed together: each is a pull of its own, in the order named. */
export function pullsTogether({
  payload,
  ...envelope
}: EventOf<'passConfirmed'>): EventOf<'pulled'>[] {
  const { stage, pass, outcome, doneAt } = payload;
  return payload.fasteners.map((fastener) => ({
    ...envelope,
    type: 'pulled',
    payload: {
      fastener,
      stage,
      pass,
      outcome,
      method: 'confirmedTogether',
      verdict: 'inTolerance',
      core: '',
      ...(doneAt ? { doneAt } : {}),
    },
  }));
}

export const foldPass = (sheet: Sheet, p: Progress, event: EventOf<'passConfirmed'>): Progress =>
  pullsTogether(event).reduce<Progress>((at, pull) => foldPull(sheet, at, pull), p);

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
