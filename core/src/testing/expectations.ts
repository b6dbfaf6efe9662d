import { isOn } from '../procedure';
import type { RunState } from '../run';

/** Every angle inside its window, or named; turned since it was last slackened. */
export function expectAngles(state: RunState, seatId: string): void {
  const seat = state.progress.seats[seatId];
  for (const [i, stage] of state.sheet.stages.entries()) {
    if (
      stage.action !== 'angle' ||
      stage.trial ||
      !isOn(state.sheet, i, seatId) ||
      !stage.tolerance
    )
      continue;
    const later = state.sheet.stages
      .slice(i + 1)
      .some((s) => s.action === 'loosen' || s.action === 'swap');
    if (later) continue;
    const turned = seat?.turnedDeg[stage.id];
    const isNamed = state.progress.deviations.some(
      (d) => d.fastener === `${seatId}/${seat?.life ?? 1}`,
    );
    const target = stage.target && 'value' in stage.target ? stage.target.value : NaN;
    expect(
      isNamed || (turned !== undefined && turned !== null && Math.abs(turned - target) <= 5 + 1e-6),
    ).toBe(true);
  }
}

/**
 * By its own count: seats whose fastener was past yield when something outside the procedure
 * slackened it, with its life then.
 */
export function slackenedPastYield(state: RunState): [string, number][] {
  const found: [string, number][] = [];
  for (const { event, before } of state.effective) {
    const slackened =
      event.type === 'restarted' && event.payload.fastener
        ? [event.payload.fastener]
        : event.type === 'added' && event.payload.action === 'loosen'
          ? event.payload.fasteners
          : [];
    for (const f of slackened) {
      const [seatId = '', life = ''] = f.split('/');
      const seat = before.seats[seatId];
      const isOnce =
        state.sheet.groups.find(
          (g) => g.id === state.sheet.seats.find((s) => s.id === seatId)?.group,
        )?.reuse === 'replace';
      if (seat?.yielded && isOnce && String(seat.life) === life) found.push([seatId, seat.life]);
    }
  }
  return found;
}
