import { useState } from 'react';
import { View } from 'react-native';
import type { Sheet } from '@stennet/core/procedure';
import type { WrenchPull } from '@stennet/core/trace';
import { asRead, convert, type Quantity } from '@stennet/core/quantity';
import { windowOf, type Outcome, type PullNext } from '@stennet/core/run';
import { keepTrace, useSignedIn, type WrenchLink } from '@/data';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { usePress } from '../hooks/usePress';
import { wrenchName } from '../say';
import { fastenerName, text } from '../text';
import { AskBack } from './AskBack';
import { BigValue, PanelBody, PanelTitle } from './PanelText';

/** Whether a wrench is heard here, and which. */
export function WrenchLine({
  due,
  link,
  onListen,
}: {
  due: PullNext;
  link: WrenchLink;
  onListen: (on: boolean) => void;
}) {
  const set = due.tool.wrench;
  if (link.state === 'off')
    return <BigButton text={text.heard.listen} look="quiet" onPress={() => onListen(true)} />;
  const isOther = link.name !== null && set && link.name !== set.name;
  return (
    <View style={{ gap: 8 }}>
      <View role={isOther ? 'alert' : 'status'}>
        <PanelBody strong={Boolean(isOther)}>
          {link.name === null
            ? text.heard.looking
            : isOther
              ? text.heard.otherWrench({ heard: link.name, set: set.name })
              : (link.simulated ? text.heard.listeningSimulated : text.heard.listening)({
                  name: link.name,
                })}
        </PanelBody>
      </View>
      <BigButton text={text.heard.stopListening} look="quiet" onPress={() => onListen(false)} />
    </View>
  );
}

interface Props {
  due: PullNext;
  sheet: Sheet;
  acts: Acts;
  link: WrenchLink;
  pull: WrenchPull;
  onDone: () => void;
  onDiscard: () => void;
  onTool: () => void;
}

/**
 * What the wrench read, before it counts: it is kept for the fastener on the screen by a press, or
 * thrown away.
 */
export function WrenchPanel({ due, sheet, acts, link, pull, onDone, onDiscard, onTool }: Props) {
  const { format } = useSignedIn();
  const [isKeeping, setKeeping] = useState(false);
  const [isDry, setDry] = useState(false);
  const press = usePress(0);
  const read = readingOf(due, pull);
  const set = due.tool.wrench;
  const isOther = Boolean(set && pull.trace.wrench !== set.name);
  const bolt = fastenerName(sheet, due.fastener);
  const said = read
    ? read.unit === 'deg'
      ? format.angle(read.value)
      : format.quantity(read).text
    : '';
  const keep = async (outcome: Outcome, looked = false): Promise<void> => {
    // A pedal pressed just when it appeared was meant for the panel before.
    if (!read || isOther || isKeeping || press(false) === 'ignore') return;
    if (due.mustTurn && outcome === 'heldStill' && !looked) return setDry(true);
    setKeeping(true);
    // On disk before the pull that names it; where it cannot be kept the value counts all the same.
    const trace = await keepTrace(pull.trace).catch(() => null);
    const done = await acts.pull(due, outcome, {
      reading: read,
      ...(trace ? { trace } : {}),
      ...(looked ? { looked: true as const } : {}),
    });
    setKeeping(false);
    if (done) onDone();
  };
  const [first = 'clicked', second] = due.outcomes.filter((o) => o !== 'noClick');
  const main = (): void => void keep(first);
  useKeys(
    isDry
      ? { Escape: () => setDry(false) }
      : {
          Escape: onDiscard,
          Enter: main,
          ' ': main,
          PageDown: main,
          ...(second ? { PageUp: () => void keep(second) } : {}),
        },
  );
  if (isDry && second)
    return (
      <AskBack
        due={due}
        sheet={sheet}
        asking={{ why: 'dry' }}
        onNo={() => setDry(false)}
        onYes={() => void keep(second, true)}
      />
    );
  const value = read ? format.inHand(read) : null;
  return (
    <View role="status" aria-live="assertive" style={{ gap: 12 }}>
      <PanelTitle>
        {text.heard.readBy({ name: set && !isOther ? wrenchName(set) : pull.trace.wrench, bolt })}
      </PanelTitle>
      {value ? (
        <BigValue
          number={due.task.action === 'angle' ? `+${value.number}` : value.number}
          unit={value.unit}
        />
      ) : (
        <PanelBody strong>{text.heard.noTurn}</PanelBody>
      )}
      {isOther && set ? (
        <PanelBody strong>
          {text.heard.notThis({ heard: pull.trace.wrench, set: set.name })}
        </PanelBody>
      ) : read ? (
        <PanelBody strong>{text.heard[standing(due, read)]}</PanelBody>
      ) : null}
      {link.missed ? (
        <PanelBody>
          {text.heard.missed({ value: format.quantity(link.missed.peak).text })}
        </PanelBody>
      ) : null}
      {pull.trace.simulated ? <PanelBody>{text.heard.madeUp}</PanelBody> : null}
      {read && !isOther ? (
        second ? (
          <View style={{ flexDirection: 'row', gap: 12 }}>
            <BigButton
              text={text.heard.keepTurned({ value: said })}
              look="plain"
              grow
              onPress={() => void keep(first)}
            />
            <BigButton
              text={text.heard.keepStill({ value: said })}
              look="plain"
              grow
              onPress={() => void keep(second)}
            />
          </View>
        ) : (
          <BigButton
            text={text.heard.keep({ value: said, bolt })}
            onPress={() => void keep(first)}
          />
        )
      ) : null}
      {isOther ? <BigButton text={text.otherTool} look="plain" onPress={onTool} /> : null}
      <BigButton text={text.heard.throwAway} look="quiet" onPress={onDiscard} />
    </View>
  );
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
