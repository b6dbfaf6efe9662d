import { useState } from 'react';
import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import type { RunState } from '@stennet/core/run';
import { asAppError, useSignedIn } from '@/data';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { deviationLine } from '../say';
import { text } from '../text';
import { LeadWord } from './LeadWord';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  state: RunState;
  acts: Acts;
  isMine: boolean;
  takeOver: () => Promise<void>;
}

/**
 * What is still open in a finished run: the lead decides each, on this device, and then the record
 * can be signed.
 */
export function LeadSettle({ state, acts, isMine, takeOver }: Props) {
  const { me } = useSignedIn();
  const [asking, setAsking] = useState<string | null>(null);
  const [error, setError] = useState<AppError | null>(null);
  const waiting = state.progress.deviations.filter((d) => d.needsLead && d.decision === null);
  const [first] = waiting;
  if (!first) return null;
  const isLead = me.role === 'lead';
  if (!isMine) {
    return (
      <View style={{ gap: 12 }}>
        <PanelTitle>{text.waiting({ count: waiting.length })}</PanelTitle>
        {waiting.map((d) => (
          <PanelBody key={d.event}>{deviationLine(state, d)}</PanelBody>
        ))}
        {error ? <PanelBody strong>{`${error.message} ${error.fix}`}</PanelBody> : null}
        {isLead ? (
          <BigButton
            text={text.settleHere}
            onPress={() => void takeOver().catch((e: unknown) => setError(asAppError(e)))}
          />
        ) : null}
      </View>
    );
  }
  const asked = waiting.find((d) => d.event === asking);
  if (asked) {
    const say = (decision: 'allow' | 'refuse') =>
      ({ kind: 'allowance', about: { deviation: asked.event }, decision }) as const;
    return (
      <LeadWord
        key={asked.event}
        acts={acts}
        title={deviationLine(state, asked)}
        words={[
          { label: text.leadSay, say: say('allow') },
          { label: text.leadRefuse, say: say('refuse'), look: 'warn' },
        ]}
        onCancel={() => setAsking(null)}
      />
    );
  }
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.waiting({ count: waiting.length })}</PanelTitle>
      {waiting.map((d) => (
        <BigButton
          key={d.event}
          text={deviationLine(state, d)}
          look="plain"
          onPress={() => setAsking(d.event)}
        />
      ))}
    </View>
  );
}
