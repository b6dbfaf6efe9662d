import { useCallback, useEffect, useState } from 'react';
import * as v from 'valibot';
import type { WrenchPull } from '@stennet/core/trace';
import { eventStream } from '@/platform/eventStream';
import { pressKey } from '@/platform/keys';
import { keptChoice } from '@/platform/keptChoice';
import { work } from './work';

/** Whether this device listens to a digital wrench while one is in use; said once, kept here. */
const { useKept, put } = keptChoice('wrench', { listens: false, goesOn: true });
const HERE = 'here';

export interface WrenchLink {
  state: 'off' | 'looking' | 'on';
  /** What is on the wrench that is heard. */
  name: string | null;
  simulated: boolean;
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

type Change = (was: WrenchLink) => WrenchLink;

/** Opens its stream; what does not fit its form is no pull. @returns what closes it */
async function hear(tell: (change: Change) => void): Promise<() => void> {
  const { WRENCH_ADDRESS, WrenchButtonSchema, WrenchHelloSchema, WrenchPullSchema } = await work();
  const wrench = (data: string): void => {
    const hello = v.safeParse(WrenchHelloSchema, jsonOf(data));
    if (hello.success)
      tell((was) => ({
        ...was,
        state: 'on',
        name: hello.output.name,
        simulated: hello.output.simulated,
      }));
  };
  const pull = (data: string): void => {
    const heard = v.safeParse(WrenchPullSchema, jsonOf(data));
    if (heard.success)
      tell((was) => ({ ...was, pull: heard.output, missed: was.pull, kept: null }));
  };
  // The button on the wrench is a pedal in the hand.
  const button = (data: string): void => {
    const pressed = v.safeParse(WrenchButtonSchema, jsonOf(data));
    if (pressed.success) pressKey(pressed.output.press === 'short' ? 'PageDown' : 'PageUp');
  };
  return eventStream(`${WRENCH_ADDRESS}/stream`, { wrench, pull, button }, () =>
    tell((was) => ({ ...was, state: 'looking', name: null })),
  );
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
