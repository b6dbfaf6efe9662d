import { KeyboardCode, KeyboardSensor } from '@dnd-kit/core';

type KeyboardSensorProps = ConstructorParameters<typeof KeyboardSensor>[0];
type Context = KeyboardSensorProps['context']['current'];

const KEYS = new Set<string>([
  KeyboardCode.Space,
  KeyboardCode.Enter,
  KeyboardCode.Esc,
  KeyboardCode.Up,
  KeyboardCode.Down,
  KeyboardCode.Left,
  KeyboardCode.Right,
]);
const PACE_MS = 50;
const TRIES = 20;

/**
 * Sorting by keyboard that loses no key. The library's sensor listens only from the task after the
 * one that lifts an item. On a busy machine the next key comes before that: it would scroll the
 * page, or do nothing. Here it is held, and pressed again once the item is lifted.
 */
export class PromptKeyboardSensor extends KeyboardSensor {
  constructor(props: KeyboardSensorProps) {
    super(props);
    const now = (): Context => props.context.current;
    const early: KeyboardEvent[] = [];
    const hold = (event: KeyboardEvent): void => {
      if (!KEYS.has(event.code)) return;
      event.preventDefault();
      event.stopPropagation();
      early.push(event);
    };
    window.addEventListener('keydown', hold, { capture: true });
    const isLifted = (): boolean => now().collisionRect !== null;
    soonAs(isLifted, () => {
      window.removeEventListener('keydown', hold, { capture: true });
      pressAgain(early, now);
    });
  }
}

/** Each key once the one before has moved the item, or has nowhere to move it. */
function pressAgain([event, ...later]: readonly KeyboardEvent[], now: () => Context): void {
  if (!event) return;
  const { code, key } = event;
  const over = now().over?.id;
  event.target?.dispatchEvent(
    new KeyboardEvent('keydown', { code, key, bubbles: true, cancelable: true }),
  );
  soonAs(
    () => now().over?.id !== over,
    () => pressAgain(later, now),
  );
}

function soonAs(is: () => boolean, then: () => void, triesLeft = TRIES): void {
  setTimeout(() => {
    if (is() || triesLeft === 0) then();
    else soonAs(is, then, triesLeft - 1);
  }, PACE_MS);
}
