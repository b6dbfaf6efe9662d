import { useState } from 'react';
import type { StationName } from '@stennet/core/order';

/**
 * Which stations of an order stand open. The one that is next opens by itself, also where it
 * becomes next while the order is being looked at; what is open only its own row closes, so that
 * an answer from the server folds nothing up under a reader's eyes.
 */
export function useOpenStations(next: StationName | undefined): {
  open: ReadonlySet<StationName>;
  toggle: (name: StationName) => void;
} {
  const [open, setOpen] = useState<ReadonlySet<StationName>>(new Set());
  const [opened, setOpened] = useState<StationName>();
  if (next !== undefined && next !== opened) {
    setOpened(next);
    setOpen((was) => new Set([...was, next]));
  }
  const toggle = (name: StationName): void =>
    setOpen((was) =>
      was.has(name) ? new Set([...was].filter((n) => n !== name)) : new Set([...was, name]),
    );
  return { open, toggle };
}
