import { textAt } from '@stennet/core/language';
import { useState } from 'react';
import { View } from 'react-native';
import { undoable, type RunState } from '@stennet/core/run';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { CorrectButtons, OtherAngleForm } from './CorrectButtons';

/** Undo asks what happened to the bolt: one that was turned is corrected, never asked again. */
export function GoBackPanel({
  state,
  acts,
  onClose,
}: {
  state: RunState;
  acts: Acts;
  onClose: () => void;
}) {
  const [reading, setReading] = useState(false);
  const last = undoable(state);
  useKeys({ Escape: onClose });
  const keep = <BigButton text={text.keep} look="quiet" onPress={onClose} />;
  if (!last) {
    return (
      <View style={{ gap: 12 }}>
        <PanelTitle>{text.backNothing}</PanelTitle>
        {keep}
      </View>
    );
  }
  const undo = (): void => void acts.confirm('undone', { event: last.id });
  if (last.type !== 'pulled') {
    return (
      <View style={{ gap: 12 }}>
        <PanelTitle>
          {text.backStep({ what: textAt(text.steps, last.type) ?? last.type })}
        </PanelTitle>
        <BigButton text={text.backStepYes} look="plain" onPress={undo} />
        {keep}
      </View>
    );
  }
  const pull = { ...last.payload, id: last.id };
  const stage = state.sheet.stages.find((s) => s.id === pull.stage);

  if (reading) {
    return <OtherAngleForm pull={pull} acts={acts} onCancel={() => setReading(false)} />;
  }
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.backTitle}</PanelTitle>
      <PanelBody>{`${fastenerName(state.sheet, pull.fastener)}, ${stage?.name ?? ''}`}</PanelBody>
      <BigButton text={text.backNotTurned} look="plain" onPress={undo} />
      <CorrectButtons pull={pull} stage={stage} acts={acts} onReading={() => setReading(true)} />
      <BigButton text={text.backTurned} look="quiet" onPress={onClose} />
    </View>
  );
}
