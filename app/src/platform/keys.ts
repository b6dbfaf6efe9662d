import { useEffect, useRef } from 'react';

/** Keys and page-turning pedals by name of the browser's `key`. */
export type KeyActions = Readonly<Record<string, () => void>>;

const HAS_OWN_KEYS =
  'input, textarea, select, button, a, [role="button"], [role="link"], [role="radio"]';

let finePointer: MediaQueryList | undefined;

/** Keys are at hand where a mouse is: a line says which. */
export const hasKeyboard = (): boolean =>
  (finePointer ??= window.matchMedia('(hover: hover) and (pointer: fine)')).matches;

/**
 * No button has the focus any more: the keys of the screen act. A field that just asked for it
 * keeps it.
 */
export function letGo(): void {
  const { activeElement } = document;
  if (
    activeElement instanceof HTMLElement &&
    activeElement.closest('[role="main"]') &&
    !activeElement.matches('input, textarea')
  )
    activeElement.blur();
}

/**
 * Keys for the whole screen. They act only when no control has the focus: a control answers its own
 * keys. A key that is held down acts once; also for a focused button.
 */
export function useKeys(actions: KeyActions): void {
  const latest = useRef(actions);
  useEffect(() => {
    latest.current = actions;
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent): void => {
      const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea');
      if (
        event.repeat &&
        !typing &&
        (event.key === 'Enter' || event.key === ' ' || latest.current[event.key])
      ) {
        event.preventDefault();
        event.stopPropagation();
        return;
      }
      const onControl =
        event.target instanceof HTMLElement && event.target.closest(HAS_OWN_KEYS) !== null;
      const isPedal = event.key === 'PageDown' || event.key === 'PageUp';
      if (event.ctrlKey || event.metaKey || event.altKey || (onControl && !(isPedal && !typing)))
        return;
      const act = latest.current[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', pressed, true);
    return () => window.removeEventListener('keydown', pressed, true);
  }, []);
}

/** As if the key had been pressed: for a pedal that is no keyboard. */
export const pressKey = (key: string): void =>
  void window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
