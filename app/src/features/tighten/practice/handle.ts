import { STEPS_PER_DEG } from '@stennet/core/practice';

/** How the handle is moved: a finger round the bolt, or a key that is held. */
export const SLOW = 1 / 3;
/** A held key, degrees in a second: quick while it is light, slow when it is nearly there. */
export const heldDegS = (share: number): number => 60 - 44 * Math.min(1, Math.max(0, share));

/** Where a point lies round a center, degrees clockwise from up. */
export const bearingOf = (x: number, y: number): number => (Math.atan2(x, -y) * 180) / Math.PI;

/** The shorter way from one bearing to another, degrees. */
export const wayRound = (from: number, to: number): number => {
  const way = (((to - from) % 360) + 360) % 360;
  return way > 180 ? way - 360 : way;
};

/**
 * What the hand asks for, in whole steps of the handle; the rest is kept for the next time.
 * @param room how far it can swing, degrees
 */
export class Handle {
  /** Where it stands, degrees from where it was put on. */
  at = 0;
  private rest = 0;

  constructor(private readonly room: number | undefined) {}

  /** @returns the steps to go; 0 where there is no room */
  by(deg: number): number {
    const wanted = this.rest + deg * STEPS_PER_DEG;
    const whole = Math.trunc(wanted);
    const room = this.room === undefined ? Infinity : this.room * STEPS_PER_DEG;
    const now = Math.round(this.at * STEPS_PER_DEG);
    const to = Math.min(room, Math.max(this.room === undefined ? -Infinity : 0, now + whole));
    this.rest = to === now + whole ? wanted - whole : 0;
    this.at = to / STEPS_PER_DEG;
    return to - now;
  }

  get isAtEnd(): boolean {
    return this.room !== undefined && this.at >= this.room;
  }
}
