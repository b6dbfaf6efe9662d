import { useCallback, useEffect, useState } from 'react';
import * as v from 'valibot';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { WrenchHello, WrenchLive, WrenchPull, WrenchState } from '@stennet/core/trace';
import { eventStream } from '@/platform/eventStream';
import { pressKey } from '@/platform/keys';
import { keptChoice } from '@/platform/keptChoice';
import { work } from './work';

/** Whether this device listens to a digital wrench while one is in use; said once, kept here. */
const { useKept, put } = keptChoice('wrench', { listens: false, goesOn: true });
const HERE = 'here';

export interface WrenchLink {
  /** other: it speaks a version of the stream that this app does not. */
  state: 'off' | 'looking' | 'on' | 'other';
  /** What is on the wrench that is heard. */
  name: string | null;
  simulated: boolean;
  range: WrenchHello['range'];
  /** How it is with it now, and how it was when it pulled last. */
  condition: WrenchState;
  atPull: WrenchState;
  /** What it did last, until someone keeps it or throws it away. */
  pull: WrenchPull | null;
  /** An earlier one that no one had answered for when the last one came. */
  missed: WrenchPull | null;
  /** Thrown away last: it can be brought back until the next one is kept. */
  thrown: WrenchPull | null;
  /** Kept last without a word: what it was, and for which fastener. */
  kept: { value: string; bolt: string } | null;
}

export interface HeardWrench {
  link: WrenchLink;
  listen: (on: boolean) => void;
  /** Whether a pull that needs no answer is kept without a word. */
  goesOn: boolean;
  goOn: (on: boolean) => void;
  /** What it did last was kept, without a word where it says for which fastener. */
  done: (kept?: WrenchLink['kept']) => void;
  /** What was heard is not kept; `restore` brings it back. */
  discard: () => void;
  restore: () => void;
}

const OFF: WrenchLink = {
  state: 'off',
  name: null,
  simulated: false,
  range: undefined,
  condition: {},
  atPull: {},
  pull: null,
  missed: null,
  thrown: null,
  kept: null,
};
const LOOKING: WrenchLink = { ...OFF, state: 'looking' };

/**
 * The digital wrench on this device, heard only while `inUse`. Nothing is recorded by it: what it
 * read waits for a confirmation. A connection that is lost is tried again; what it read before
 * stays on the screen.
 */
export function useWrenchLink(inUse: boolean): HeardWrench {
  const { listens, goesOn } = useKept(HERE);
  const [link, setLink] = useState(LOOKING);
  const isHeard = inUse && listens;
  useEffect(() => {
    if (!isHeard) return;
    let isOver = false;
    let stop = (): void => undefined;
    void hear((change) => !isOver && setLink(change)).then((close) => {
      if (isOver) close();
      else stop = close;
    });
    return () => {
      isOver = true;
      stop();
      setLink(LOOKING);
    };
  }, [isHeard]);
  const listen = useCallback((on: boolean) => put(HERE, { listens: on, goesOn }), [goesOn]);
  const goOn = useCallback((on: boolean) => put(HERE, { listens, goesOn: on }), [listens]);
  const done = useCallback(
    (kept: WrenchLink['kept'] = null) =>
      setLink((was) => ({ ...was, pull: null, missed: null, thrown: null, kept })),
    [],
  );
  const discard = useCallback(
    () => setLink((was) => ({ ...was, pull: null, missed: null, thrown: was.pull })),
    [],
  );
  const restore = useCallback(
    () => setLink((was) => ({ ...was, pull: was.thrown, thrown: null })),
    [],
  );
  return { link: isHeard ? link : OFF, listen, goesOn, goOn, done, discard, restore };
}

/** What it reads while it is pulled, beside the link: it changes too often for the whole screen. */
const liveStore = createStore<{ live: WrenchLive | null }>(() => ({ live: null }));
export const useWrenchLive = (): WrenchLive | null => useStore(liveStore, ({ live }) => live);
/** A hand that let go before the pull was one: nothing is read any more. */
const STILL_MS = 1500;
let still: ReturnType<typeof setTimeout> | undefined;
function putLive(live: WrenchLive | null): void {
  clearTimeout(still);
  liveStore.setState({ live });
  if (live) still = setTimeout(() => putLive(null), STILL_MS);
}

type Change = (was: WrenchLink) => WrenchLink;

/** Opens its stream; what does not fit its form is no pull. @returns what closes it */
async function hear(tell: (change: Change) => void): Promise<() => void> {
  const core = await work();
  const wrench = (data: string): void => {
    const hello = v.safeParse(core.WrenchHelloSchema, jsonOf(data));
    const other = v.safeParse(core.AnyHelloSchema, jsonOf(data));
    if (hello.success) {
      const { name, simulated, range } = hello.output;
      tell((was) => ({ ...was, state: 'on', name, simulated, range, condition: {} }));
    } else if (other.success && other.output.v !== core.WRENCH_VERSION)
      tell((was) => ({ ...was, state: 'other', name: other.output.name }));
  };
  const state = (data: string): void => {
    const heard = v.safeParse(core.WrenchStateSchema, jsonOf(data));
    if (heard.success) tell((was) => ({ ...was, condition: heard.output }));
  };
  const live = (data: string): void => {
    const heard = v.safeParse(core.WrenchLiveSchema, jsonOf(data));
    if (heard.success) putLive(heard.output);
  };
  const pull = (data: string): void => {
    const heard = v.safeParse(core.WrenchPullSchema, jsonOf(data));
    if (!heard.success) return;
    putLive(null);
    tell((was) => ({
      ...was,
      pull: heard.output,
      atPull: was.condition,
      missed: was.pull,
      kept: null,
    }));
  };
  // The button on the wrench is a pedal in the hand.
  const button = (data: string): void => {
    const pressed = v.safeParse(core.WrenchButtonSchema, jsonOf(data));
    if (pressed.success) pressKey(pressed.output.press === 'short' ? 'PageDown' : 'PageUp');
  };
  return eventStream(`${core.WRENCH_ADDRESS}/stream`, { wrench, state, live, pull, button }, () => {
    putLive(null);
    tell((was) => ({ ...was, state: 'looking', name: null, condition: {} }));
  });
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
