import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * The same function for as long as something is on the screen, doing what was drawn last: what is
 * handed it need not be drawn again.
 */
export function useSteady<A extends unknown[]>(act: (...all: A) => void): (...all: A) => void {
  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  return useCallback((...all: A) => latest.current(...all), []);
}
