import { useState } from 'react';
import { View } from 'react-native';
import type { RunState } from '@stennet/core/run';
import { now } from '@/platform/clock';
import { BigButton, NumberField } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

/**
 * A clock ended before the confirmation came: was it done in time, or does that step begin again?
 */
export function LatePanel({ acts, state }: { acts: Acts; state: RunState }) {
  const [ago, setAgo] = useState<number | undefined>(undefined);
  const { late } = acts;
  if (!late) return null;
  const clock = state.sheet.clocks.find((c) => c.id === late.clock);
  const isGood = ago !== undefined && ago >= 0 && ago <= 24 * 60;
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>{text.lateTitle({ what: clock?.text ?? '' })}</PanelTitle>
      <PanelBody>{text.lateText}</PanelBody>
      <NumberField label={text.lateAgo} value={ago} onChange={setAgo} />
      <BigButton
        text={text.lateYes}
        look="plain"
        disabled={!isGood}
        onPress={() =>
          void late.again(new Date(now().getTime() - (ago ?? 0) * 60_000).toISOString())
        }
      />
      <BigButton
        text={text.lateNo}
        look="warn"
        onPress={() => void acts.confirm('overran', { clock: late.clock })}
      />
    </View>
  );
}
