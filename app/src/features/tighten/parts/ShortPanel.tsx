import { useState } from 'react';
import { View } from 'react-native';
import type { PullNext, RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { ReadingForm } from './ReadingForm';

interface Props {
  due: PullNext;
  state: RunState;
  acts: Acts;
  onClose: () => void;
}

/** A stop short is asked about before it is recorded: mostly the rest can still be pulled. */
export function ShortPanel({ due, state, acts, onClose }: Props) {
  const { format } = useSignedIn();
  const [turned, setTurned] = useState<number | null>(null);
  const isAngle = due.task.action === 'angle';
  const name = fastenerName(state.sheet, due.fastener);
  const wanted = due.inHand?.value ?? 0;
  useKeys({ Escape: onClose });
  if (isAngle && turned === null) {
    return (
      <ReadingForm
        title={text.shortTitle}
        hint={text.shortHint({ wanted: format.angle(wanted) })}
        label={text.angleLabel}
        onRecord={setTurned}
        onUnknown={() => void acts.pull(due, 'stoppedShort')}
        onCancel={onClose}
      />
    );
  }
  const missing = turned === null ? null : wanted - turned;
  const record = (): void =>
    void acts.pull(
      due,
      'stoppedShort',
      turned === null ? {} : { reading: { value: turned, unit: 'deg' } },
    );
  const goOn = (): void =>
    turned === null || turned <= 0
      ? onClose()
      : void acts.pull(due, 'reached', { reading: { value: turned, unit: 'deg' } });
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>
        {text.shortAsk({
          name,
          target: format.published(due.target ?? { value: wanted, unit: 'deg' }),
        })}
      </PanelTitle>
      <PanelBody>{text.shortText}</PanelBody>
      <BigButton
        text={
          missing === null ? text.shortAgain : text.shortMissing({ deg: format.angle(missing) })
        }
        onPress={goOn}
      />
      <BigButton text={text.shortRecord} look="warn" onPress={record} />
      <BigButton text={text.cancel} look="quiet" onPress={onClose} />
    </View>
  );
}
