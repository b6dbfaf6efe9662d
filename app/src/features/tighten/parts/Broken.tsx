import { useState } from 'react';
import { View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { groupOfSeat } from '@stennet/core/procedure';
import { brokenSizes, threadOf, type BrokenSizes } from '@stennet/core/thread';
import {
  isBroken,
  rungsOf,
  rungText,
  seatIdOf,
  type AnyHold,
  type RunState,
} from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { BigButton, TextField } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { useRunPlace } from '../hooks/useRunPlace';
import { fastenerName, text } from '../text';
import { PanelBody } from './PanelText';

interface Props {
  hold: Extract<AnyHold, { kind: 'failed' }>;
  fastener: string;
  state: RunState;
  acts: Acts;
}

/**
 * What is tried, attempt by attempt, with the sizes and the stop; each is on the record with
 * how it ended.
 */
export function Broken({ hold, fastener, state, acts }: Props) {
  const { behind } = groupOfSeat(state.sheet, hold.seat);
  return (
    <>
      {hold.failure === 'broke' ? <Sizes state={state} fastener={fastener} /> : null}
      {isBroken(hold.failure) && behind ? (
        <PanelBody strong>{text.behind({ what: behind })}</PanelBody>
      ) : null}
      {hold.rung ? (
        <Ladder hold={hold} rung={hold.rung} fastener={fastener} state={state} acts={acts} />
      ) : null}
    </>
  );
}

function Ladder({ hold, rung, fastener, state, acts }: Props & { rung: string }) {
  const [note, setNote] = useState('');
  const [away, setAway] = useState(false);
  const rungs = rungsOf(state.sheet, hold.failure);
  const say = (answer: string, words = note.trim()): Promise<boolean> =>
    acts.confirm('stepDone', {
      step: rung,
      answer,
      fasteners: [fastener],
      ...(words ? { note: words } : {}),
    });
  if (away)
    return (
      <NoRoom
        fastener={fastener}
        state={state}
        onAway={(words) => say('stop', words)}
        onCancel={() => setAway(false)}
      />
    );
  return (
    <View style={{ gap: 12 }}>
      <PanelBody>
        {text.rungCount({ n: rungs.findIndex((r) => r.id === rung) + 1, of: rungs.length })}
      </PanelBody>
      <PanelBody strong>{rungText(state.sheet, rung)}</PanelBody>
      <TextField label={text.tried} value={note} onChange={(t) => setNote(t.slice(0, 400))} />
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <BigButton text={text.rungWorked} look="plain" grow onPress={() => void say('worked')} />
        <BigButton text={text.rungDidNot} look="plain" grow onPress={() => void say('didNot')} />
        <BigButton text={text.rungStop} look="warn" grow onPress={() => void say('stop')} />
      </View>
      {isBroken(hold.failure) ? (
        <BigButton text={text.noRoom} look="quiet" onPress={() => setAway(true)} />
      ) : null}
    </View>
  );
}

/** The part comes off and goes out: it stands on the repair order until it is back and checked. */
function NoRoom({
  fastener,
  state,
  onAway,
  onCancel,
}: {
  fastener: string;
  state: RunState;
  onAway: (words: string) => Promise<boolean>;
  onCancel: () => void;
}) {
  const place = useRunPlace();
  const [to, setTo] = useState('');
  const [asked, setAsked] = useState('');
  const [problem, setProblem] = useState(false);
  const send = async (): Promise<void> => {
    const joint = place.joints.find((t) => t.id === place.joint)?.name ?? '';
    const what = `${joint}, ${fastenerName(state.sheet, fastener)}`.slice(0, 80);
    try {
      await place.keep({
        order: place.order,
        body: {
          kind: 'outside',
          ...(place.job ? { job: place.job } : {}),
          what,
          to: to.trim(),
          asked: asked.trim(),
          state: 'asked',
        },
      });
    } catch {
      return setProblem(true);
    }
    await onAway(text.noRoomSaid);
  };
  return (
    <View style={{ gap: 12 }}>
      {problem ? <PanelBody strong>{text.cannotKeep}</PanelBody> : null}
      <TextField label={text.noRoomTo} value={to} onChange={(t) => setTo(t.slice(0, 80))} />
      <TextField
        label={text.noRoomAsked}
        value={asked}
        onChange={(t) => setAsked(t.slice(0, 400))}
      />
      <BigButton
        text={text.noRoomYes}
        look="warn"
        disabled={!to.trim() || !asked.trim()}
        onPress={() => void send()}
      />
      <BigButton text={text.cancel} look="quiet" onPress={onCancel} />
    </View>
  );
}

/** Drills for what is left of it, and where each has to stop. */
function Sizes({ state, fastener }: { state: RunState; fastener: string }) {
  const { format } = useSignedIn();
  const { thread, lengthMm, gripLengthMm } = groupOfSeat(state.sheet, seatIdOf(fastener));
  const sizes = sizesOf(thread.designation, thread.pitchMm, lengthMm, gripLengthMm);
  if (!sizes) return null;
  const mm = (value: number): string => format.quantity({ value, unit: 'mm' }).text;
  const lines = [
    text.brokenDrills({
      center: mm(sizes.centreMm),
      extractor: mm(sizes.extractorMm),
      largest: mm(sizes.largestMm),
    }),
    sizes.stopMm === null ? text.brokenNoStop : text.brokenStop({ depth: mm(sizes.stopMm) }),
    text.brokenTap({ same: mm(sizes.tapDrillMm) }),
    ...(sizes.next
      ? [text.brokenNext({ name: sizes.next.designation, drill: mm(sizes.next.tapDrillMm) })]
      : []),
  ];
  return (
    <View style={{ gap: 4 }}>
      {lines.map((line) => (
        <PanelBody key={line}>{line}</PanelBody>
      ))}
    </View>
  );
}

function sizesOf(
  designation: string,
  pitchMm: number,
  lengthMm: number | undefined,
  gripMm: number | undefined,
): BrokenSizes | null {
  try {
    return brokenSizes(threadOf(designation, pitchMm), lengthMm, gripMm);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}
