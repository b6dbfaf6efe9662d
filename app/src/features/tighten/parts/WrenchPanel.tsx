import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { isSerious } from '@stennet/core/record';
import {
  isNoReading,
  wrenchTroubles,
  type Look,
  type LookedAt,
  type WrenchPull,
} from '@stennet/core/trace';
import { asRead, convert, units, type Quantity, type UnitCode } from '@stennet/core/quantity';
import {
  windowOf,
  type FailureKind,
  type Outcome,
  type PayloadOf,
  type PullNext,
  type RunState,
} from '@stennet/core/run';
import { keepTrace, useSignedIn, type HeardWrench } from '@/data';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { usePress } from '../hooks/usePress';
import { useRunPlace, type RunPlace } from '../hooks/useRunPlace';
import { turnedIn, useVerdict } from '../hooks/useVerdict';
import { wrenchName } from '../say';
import { fastenerName, text } from '../text';
import { AskBack } from './AskBack';
import { failureOf, HeardCurve, HeardVerdict } from './HeardVerdict';
import { BigValue, PanelBody, PanelTitle } from './PanelText';
import { WrenchTroubles } from './WrenchLine';

interface Props {
  due: PullNext;
  state: RunState;
  acts: Acts;
  wrench: HeardWrench;
  pull: WrenchPull;
  onTool: () => void;
  onWrong: () => void;
}

/**
 * What the wrench read, before it counts. What needs no answer is kept for the fastener on the
 * screen by itself, where that is wanted; everything else waits for a press.
 */
export function WrenchPanel({ due, state, acts, wrench, pull, onTool, onWrong }: Props) {
  const { link, goesOn, done: onDone, discard: onDiscard } = wrench;
  const place = useRunPlace();
  const { format } = useSignedIn();
  const [isKeeping, setKeeping] = useState(false);
  const [isDry, setDry] = useState(false);
  const press = usePress(0);
  const { look, pulls } = useVerdict(state, due, pull);
  const read = readingOf(due, pull);
  const set = due.tool.wrench;
  // In practice any wrench will do: the joint takes what it read.
  const isOther = Boolean(!place.practice && set && pull.trace.wrench !== set.name);
  const troubles = wrenchTroubles(link.atPull, link.range, due.target);
  // Neither another wrench's, nor one that this wrench cannot measure, is ever saved.
  const isVoid = isOther || troubles.some(isNoReading);
  const bolt = fastenerName(state.sheet, due.fastener);
  const said = read
    ? read.unit === 'deg'
      ? format.angle(read.value)
      : format.quantity(read).text
    : '';
  const found = look?.look ?? null;
  const isGrave = isSerious(found);
  const keep = async (outcome: Outcome, how: { looked?: boolean; bySelf?: boolean } = {}) => {
    if (!read || isVoid || isKeeping || look === undefined) return;
    // A pedal pressed just when it appeared was meant for the panel before.
    if (!how.bySelf && press(false) === 'ignore') return;
    if (due.mustTurn && outcome === 'heldStill' && !how.looked) return setDry(true);
    setKeeping(true);
    // On disk before the pull that names it; where it cannot be kept the value counts all the same.
    const trace = place.practice ? null : await keepTrace(pull.trace).catch(() => null);
    await inPractice(place, due, pull, read);
    const isIn = await acts.pull(due, outcome, {
      reading: read,
      ...(trace ? { trace } : {}),
      ...(found && found.is !== 'ok' ? { curve: curveOf(found) } : {}),
      ...(how.looked ? { looked: true as const } : {}),
    });
    setKeeping(false);
    if (isIn) onDone(how.bySelf ? { value: said, bolt } : null);
  };
  const [first = 'clicked', second] = due.outcomes.filter((o) => o !== 'noClick');
  const mayGoOn = goesOn && !isVoid && !isGrave && troubles.every((t) => t === 'battery');
  const byItself = mayGoOn && read ? goesOnAs(due, read, look, first, second) : null;
  useEffect(() => {
    if (!byItself) return;
    const soon = setTimeout(() => void keep(byItself, { bySelf: true }), 0);
    return () => clearTimeout(soon);
    // Once for each pull, when it has been looked at.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [byItself]);
  const main = (): void => void (isGrave ? undefined : keep(first));
  useKeys(
    isDry
      ? { Escape: () => setDry(false) }
      : {
          Escape: onDiscard,
          Enter: main,
          ' ': main,
          PageDown: main,
          ...(second && !isGrave ? { PageUp: () => void keep(second) } : {}),
        },
  );
  if (isDry && second)
    return (
      <AskBack
        due={due}
        sheet={state.sheet}
        asking={{ why: 'dry' }}
        onNo={() => setDry(false)}
        onYes={() => void keep(second, { looked: true })}
      />
    );
  const fail = async (kind: FailureKind, why: string): Promise<void> => {
    if (await acts.fail(due.fastener, kind, text.heard.noteOf({ value: said, why }))) onDone();
  };
  return (
    <View role="status" aria-live="assertive" style={{ gap: 12 }}>
      <PanelTitle>
        {text.heard.readBy({ name: set && !isOther ? wrenchName(set) : pull.trace.wrench, bolt })}
      </PanelTitle>
      <ReadValue due={due} read={read} />
      {isOther && set ? (
        <PanelBody strong>
          {text.heard.notThis({ heard: pull.trace.wrench, set: set.name })}
        </PanelBody>
      ) : read && !isGrave ? (
        <PanelBody strong>{text.heard[standing(due, read)]}</PanelBody>
      ) : null}
      {isOther ? null : <WrenchTroubles due={due} link={link} condition={link.atPull} />}
      {isVoid ? null : <HeardVerdict look={look} bolt={bolt} />}
      {link.missed ? (
        <PanelBody>
          {text.heard.missed({ value: format.quantity(link.missed.peak).text })}
        </PanelBody>
      ) : null}
      {pull.trace.simulated ? <PanelBody>{text.heard.madeUp}</PanelBody> : null}
      {read && !isVoid && look !== undefined ? (
        isGrave && found ? (
          <Grave
            due={due}
            found={found}
            value={said}
            onFail={(kind) => void fail(kind, found.why)}
            onElse={() => {
              onDiscard();
              onWrong();
            }}
            onFine={() => void keep(first, { looked: true })}
          />
        ) : (
          <KeepButtons
            bolt={bolt}
            value={said}
            second={second}
            onFirst={() => void keep(first)}
            onSecond={() => second && void keep(second)}
          />
        )
      ) : null}
      {look && !isVoid ? <HeardCurve bolt={bolt} unit={unitOf(due)} pulls={pulls} /> : null}
      {isOther ? <BigButton text={text.otherTool} look="plain" onPress={onTool} /> : null}
      <BigButton text={text.heard.throwAway} look="quiet" onPress={onDiscard} />
    </View>
  );
}

/** A simulated joint is given what the wrench read. */
async function inPractice(
  { practice }: RunPlace,
  { task }: PullNext,
  { peak }: WrenchPull,
  read: Quantity,
): Promise<void> {
  const turnedDeg = task.action === 'angle' ? read.value : null;
  await practice?.pullLike({ peakNm: convert(peak, 'N.m'), turnedDeg });
}

/** What a curve is drawn in: the unit of the stage, where that is a torque. */
const unitOf = ({ target }: PullNext): UnitCode =>
  target && units[target.unit].kind === 'torque' ? target.unit : 'N.m';

function ReadValue({ due, read }: { due: PullNext; read: Quantity | null }) {
  const { format } = useSignedIn();
  if (!read) return <PanelBody strong>{text.heard.noTurn}</PanelBody>;
  const { number, unit } = format.inHand(read);
  return <BigValue number={due.task.action === 'angle' ? `+${number}` : number} unit={unit} />;
}

/** It may be damaged, or without its clamp load: someone looks, and says what it is. */
function Grave({
  due,
  found,
  value,
  onFail,
  onElse,
  onFine,
}: {
  due: PullNext;
  found: Look;
  value: string;
  onFail: (kind: FailureKind) => void;
  onElse: () => void;
  onFine: () => void;
}) {
  const kind = failureOf(due, found);
  return (
    <>
      {kind ? (
        <BigButton
          text={text.heard.itIs({ what: text.failures[kind].toLowerCase() })}
          look="warn"
          onPress={() => onFail(kind)}
        />
      ) : null}
      <BigButton text={text.heard.itIsElse} look="warn" onPress={onElse} />
      <BigButton
        text={text.heard.nothingWrong}
        hint={text.heard.save({ value })}
        look="plain"
        onPress={onFine}
      />
    </>
  );
}

function KeepButtons({
  bolt,
  value,
  second,
  onFirst,
  onSecond,
}: {
  bolt: string;
  value: string;
  second: Outcome | undefined;
  onFirst: () => void;
  onSecond: () => void;
}) {
  if (!second) return <BigButton text={text.heard.keep({ value, bolt })} onPress={onFirst} />;
  return (
    <View style={{ flexDirection: 'row', gap: 12 }}>
      <BigButton text={text.heard.keepTurned({ value })} look="plain" grow onPress={onFirst} />
      <BigButton text={text.heard.keepStill({ value })} look="plain" grow onPress={onSecond} />
    </View>
  );
}

/** Someone looked at a serious one and found nothing: that is on the record with it. */
const curveOf = (found: Look): NonNullable<PayloadOf<'pulled'>['curve']> => ({
  is: found.is,
  ...(isSerious(found) ? { said: 'nothingWrong' as const } : {}),
});

/** As a bolt that moved counts where nothing else is said, degrees. */
const MOVED_DEG = 3;

/**
 * How a pull is kept that needs no answer: within its limits, nothing serious in its curve, and for
 * a fastener that may move, whether it did. null: someone has to say.
 */
function goesOnAs(
  due: PullNext,
  read: Quantity,
  look: LookedAt | null | undefined,
  first: Outcome,
  second: Outcome | undefined,
): Outcome | null {
  if (look === undefined || standing(due, read) !== 'within') return null;
  if (!second) return first;
  const limit =
    due.stage.repeat?.kind === 'untilSettled' ? due.stage.repeat.movedMoreThanDeg : MOVED_DEG;
  if (!look) return null;
  if (turnedIn(look) > limit) return first;
  return due.mustTurn ? null : second;
}

/**
 * An angle is what it turned; everything else its highest torque, in the unit that is published.
 */
function readingOf(due: PullNext, pull: WrenchPull): Quantity | null {
  if (due.task.action === 'angle') return pull.turned ?? null;
  return asRead(pull.peak, due.target?.unit ?? pull.peak.unit);
}

function standing(due: PullNext, read: Quantity): 'within' | 'below' | 'above' | 'aboveOwn' {
  if (!due.target) return 'within';
  const { low, high, published } = windowOf(due.task);
  const value = convert(read, due.target.unit);
  return value < low ? 'below' : value <= high ? 'within' : published ? 'above' : 'aboveOwn';
}
