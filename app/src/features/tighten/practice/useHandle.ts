import { useEffect, useRef, type RefObject } from 'react';
import type { PracticeRun } from '@/data/practice';
import { bearingOf, Handle, heldDegS, SLOW, wayRound } from './handle';

/** Between two frames of a page that was away no handle moves. */
const LONGEST_FRAME_MS = 50;
const FORWARD = 'ArrowRight';
const BACK = 'ArrowLeft';

export interface Held {
  /** A button or key that is held: 1 pulls, −1 swings back, 0 lets go. */
  hold: (way: -1 | 0 | 1) => void;
  /** One step of a button that is pressed. */
  nudge: (way: -1 | 1) => void;
}

/**
 * The handle on one bolt, moved by a finger that goes round it, by an arrow key or a button that is
 * held. Nothing is drawn through React while it moves.
 * @param of.share how much of the pull is done, 0 to 1
 * @param key of the pull: with another one the handle is put on again
 * @param onMoved where the handle stands, degrees, and whether it has no room
 */
export function useHandle(
  practice: PracticeRun,
  key: string,
  of: { room: number | undefined; isSlow: boolean; share: () => number },
  dial: RefObject<HTMLElement | null>,
  onMoved: (at: number, isAtEnd: boolean) => void,
): Held {
  const { room, isSlow } = of;
  const held = useRef<Held>({ hold: () => undefined, nudge: () => undefined });
  const tell = useRef({ onMoved, share: of.share });
  useEffect(() => {
    tell.current = { onMoved, share: of.share };
  });
  useEffect(() => {
    const handle = new Handle(room);
    const speed = isSlow ? SLOW : 1;
    const move = (deg: number): void => {
      practice.move(handle.by(deg * speed));
      tell.current.onMoved(handle.at, handle.isAtEnd);
    };
    tell.current.onMoved(0, false);
    const stops = [byFinger(dial.current, move), byKeys((way) => held.current.hold(way))];
    const holding = byHolding(move, () => tell.current.share());
    held.current = { hold: holding.hold, nudge: (way) => move(way * (isSlow ? 3 : 5)) };
    return () => [...stops, holding.stop].forEach((stop) => stop());
  }, [practice, key, room, isSlow, dial]);
  return {
    hold: (way) => held.current.hold(way),
    nudge: (way) => held.current.nudge(way),
  };
}

function byFinger(dial: HTMLElement | null, move: (deg: number) => void): () => void {
  if (!dial) return () => undefined;
  let last: number | null = null;
  const at = (e: PointerEvent): number => {
    const box = dial.getBoundingClientRect();
    return bearingOf(e.clientX - box.left - box.width / 2, e.clientY - box.top - box.height / 2);
  };
  const down = (e: PointerEvent): void => {
    dial.setPointerCapture(e.pointerId);
    last = at(e);
  };
  const moved = (e: PointerEvent): void => {
    if (last === null) return;
    const now = at(e);
    move(wayRound(last, now));
    last = now;
  };
  const up = (): void => void (last = null);
  const hears = [
    ['pointerdown', down],
    ['pointermove', moved],
    ['pointerup', up],
    ['pointercancel', up],
  ] as const;
  for (const [name, hear] of hears) dial.addEventListener(name, hear);
  return () => hears.forEach(([name, hear]) => dial.removeEventListener(name, hear));
}

function byKeys(hold: (way: -1 | 0 | 1) => void): () => void {
  const isTyping = (e: KeyboardEvent): boolean =>
    e.target instanceof HTMLElement && e.target.matches('input, textarea, [role="slider"]');
  const down = (e: KeyboardEvent): void => {
    if (e.ctrlKey || e.metaKey || e.altKey || isTyping(e)) return;
    if (e.key !== FORWARD && e.key !== BACK) return;
    e.preventDefault();
    hold(e.key === FORWARD ? 1 : -1);
  };
  const up = (e: KeyboardEvent): void => {
    if (e.key === FORWARD || e.key === BACK) hold(0);
  };
  const blur = (): void => hold(0);
  window.addEventListener('keydown', down);
  window.addEventListener('keyup', up);
  window.addEventListener('blur', blur);
  return () => {
    window.removeEventListener('keydown', down);
    window.removeEventListener('keyup', up);
    window.removeEventListener('blur', blur);
  };
}

function byHolding(
  move: (deg: number) => void,
  share: () => number,
): { hold: Held['hold']; stop: () => void } {
  let way = 0;
  let frame = 0;
  let last = 0;
  const go = (time: number): void => {
    move((way * heldDegS(share()) * Math.min(LONGEST_FRAME_MS, time - last)) / 1000);
    last = time;
    frame = requestAnimationFrame(go);
  };
  const hold: Held['hold'] = (next) => {
    if (next === way) return;
    way = next;
    cancelAnimationFrame(frame);
    if (way === 0) return;
    last = performance.now();
    frame = requestAnimationFrame(go);
  };
  return { hold, stop: () => hold(0) };
}
