import { useState } from 'react';
import { View } from 'react-native';
import type { PullNext, RunState } from '@stennet/core/run';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { lastLine } from '../say';
import { PanelBody, PanelTitle } from './PanelText';
import { StripeForm } from './StripeForm';

/**
 * So long away in the middle of an angle stage, no one remembers which bolt was turned. Decided
 * here.
 */
export const AWAY_MS = 20 * 60_000;

/** In the middle of an angle stage: the stripe is looked at before anything is pulled. */
export function AwayPanel({
  due,
  state,
  acts,
  minutes,
  onGoOn,
}: {
  due: PullNext;
  state: RunState;
  acts: Acts;
  minutes: number;
  onGoOn: () => void;
}) {
  const [reading, setReading] = useState(false);
  if (reading)
    return (
      <StripeForm
        state={state}
        fastener={due.fastener}
        stage={due.stage.id}
        onRead={(stripeDeg) => void acts.pull(due, 'reached', { method: 'stripe', stripeDeg })}
        onCancel={() => setReading(false)}
      />
    );
  const last = lastLine(state.sheet, state.effective.at(-1)?.event) ?? '';
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>{text.awayTitle({ count: minutes })}</PanelTitle>
      <PanelBody>
        {text.awayText({ last, next: fastenerName(state.sheet, due.fastener) })}
      </PanelBody>
      <BigButton text={text.awayNot} onPress={onGoOn} />
      <BigButton text={text.awayTurned} look="plain" onPress={() => setReading(true)} />
    </View>
  );
}
