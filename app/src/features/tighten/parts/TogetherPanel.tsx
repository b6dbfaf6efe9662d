import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { openTogether, type Outcome, type PullNext, type RunState } from '@stennet/core/run';
import { usePeople, useSignedIn } from '@/data';
import { BigButton, Chip, ChoiceField } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  due: PullNext;
  state: RunState;
  acts: Acts;
  outcomes: readonly { outcome: Outcome; label: string }[];
  onClose: () => void;
}

/**
 * With both hands on the bar: so many in order, or the whole pass, confirmed by one press, and
 * recorded as that.
 */
export function TogetherPanel({ due, state, acts, outcomes, onClose }: Props) {
  const { me } = useSignedIn();
  const people = usePeople();
  const open = openTogether(state);
  const [count, setCount] = useState(open.length);
  const [puller, setPuller] = useState(me.person.id);
  const chosen = open.slice(0, count);
  const who = (people.data?.people ?? [{ id: me.person.id, name: me.person.name }]).map((p) => ({
    value: p.id,
    text: p.name,
  }));
  const say = (outcome: Outcome) => (): void =>
    void acts.confirm('passConfirmed', {
      stage: due.stage.id,
      pass: due.pass,
      fasteners: [...chosen],
      outcome,
      puller,
    });
  return (
    <View style={styles.panel}>
      <PanelTitle>{text.severalTitle}</PanelTitle>
      <PanelBody>{text.severalText}</PanelBody>
      <View role="radiogroup" aria-label={text.severalCount} style={styles.chips}>
        {countsUpTo(open.length).map((n) => (
          <Chip
            key={n}
            size="hand"
            role="radio"
            text={n === open.length ? text.severalAll({ n }) : String(n)}
            on={n === count}
            onPress={() => setCount(n)}
          />
        ))}
      </View>
      <PanelBody strong>
        {text.severalNext({ bolts: chosen.map((f) => fastenerName(state.sheet, f)).join(', ') })}
      </PanelBody>
      {who.length > 1 ? (
        <ChoiceField label={text.severalWho} value={puller} options={who} onChange={setPuller} />
      ) : null}
      {outcomes.map((o) => (
        <BigButton
          key={o.outcome}
          text={text.severalYes({ n: chosen.length, outcome: o.label.toLowerCase() })}
          look="plain"
          onPress={say(o.outcome)}
        />
      ))}
      <BigButton text={text.cancel} look="quiet" onPress={onClose} />
    </View>
  );
}

/** Two, three, four, then by halves, and all of them. */
const countsUpTo = (most: number): number[] =>
  [...new Set([2, 3, 4, 6, 8, Math.floor(most / 2), most])]
    .filter((n) => n >= 2 && n <= most)
    .sort((a, b) => a - b);

const styles = StyleSheet.create({
  panel: { gap: 12 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
});
