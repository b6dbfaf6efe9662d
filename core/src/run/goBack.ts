import { stageIndex, type Sheet } from '../procedure';
import { atStage, withSeats, without } from './advance';
import { isBroken } from './hold';
import { isOneTimeUse, keptByPosition, LOOSE } from './seats';
import type { Progress, SeatProgress } from './state';

const keyBelongs = (key: string, stages: ReadonlySet<string>): boolean => stages.has(key.split('.')[0] ?? '');

/** A fastener that was past yield and comes loose again outside the procedure is used up, where it may be used once. */
export const slackened = (sheet: Sheet, seat: SeatProgress): SeatProgress => ({
  ...seat,
  usedUp: seat.usedUp || (!seat.leftOut && seat.yielded && isOneTimeUse(sheet, seat.seat)),
});

/**
 * Going back is one act: what lies past that point is slackened in reverse, what is one-time-use and past yield must be
 * replaced, steps due since are due again, passes count from one.
 */
export function goBack(sheet: Sheet, p: Progress, to: number, at: string): Progress {
  const gone = new Set(sheet.stages.slice(to).map((s) => s.id));
  const loose = withSeats(p, (s) => {
    const undone = Object.keys(s.done).some((id) => gone.has(id)) || Object.keys(s.turnedDeg).some((k) => keyBelongs(k, gone)) || p.inPass[s.seat] !== undefined || s.parts > 0;
    const turnedDeg = Object.fromEntries(Object.entries(s.turnedDeg).filter(([k]) => !keyBelongs(k, gone)));
    const back: SeatProgress = {
      ...s,
      ...LOOSE,
      done: without(s.done, ...gone),
      turnedDeg,
      marked: Object.keys(turnedDeg).length > 0 && s.marked,
    };
    return undone ? slackened(sheet, { ...back, failed: isBroken(s.failed) ? s.failed : null }) : { ...back, failed: s.failed };
  });
  const steps = sheet.steps.filter((s) => stepIsAtOrAfter(sheet, s.due, to)).map((s) => s.id);
  // A fastener that went too far before that point is still too far.
  const hold = p.hold && 'fastener' in p.hold && stageIndex(sheet, p.hold.stage) < to ? p.hold : null;
  const back = atStage(
    {
      ...loose,
      settings: {},
      waited: {},
      neighbours: [],
      steps: without(p.steps, ...steps),
      times: without(p.times, ...steps.map((s) => `step:${s}`), ...[...gone].map((s) => `stage:${s}`)),
    },
    to,
    at,
  );
  return { ...back, hold };
}

function stepIsAtOrAfter(sheet: Sheet, due: Sheet['steps'][number]['due'], to: number): boolean {
  return (due.when === 'before' || due.when === 'after') && stageIndex(sheet, due.stage) >= to;
}

/** One fastener slackened fully and brought back alone; what counts for its position stands. */
export function redoSeat(sheet: Sheet, p: Progress, seat: SeatProgress): Progress {
  const back: SeatProgress = {
    ...slackened(sheet, seat),
    ...LOOSE,
    done: keptByPosition(sheet, seat),
  };
  return { ...p, seats: { ...p.seats, [seat.seat]: back }, inPass: without(p.inPass, seat.seat), disturbed: true };
}
