import { View } from 'react-native';
import type { Sheet } from '@stennet/core/procedure';
import type { PullNext } from '@stennet/core/run';
import { upperFirst } from '@stennet/core/language';
import { BigButton } from '@/ui';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

interface Props {
  due: PullNext;
  sheet: Sheet;
  asking: { why: 'quick' | 'dry' };
  onYes: (looked: boolean) => void;
  onNo: () => void;
}

/** A pull that came too soon, or a first torque that did not turn: looked at before it counts. */
export function AskBack({ due, sheet, asking, onYes, onNo }: Props) {
  const bolt = fastenerName(sheet, due.fastener);
  const isDry = asking.why === 'dry';
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>
        {isDry ? text.dryTitle({ bolt: upperFirst(bolt) }) : text.quick({ bolt })}
      </PanelTitle>
      {isDry ? <PanelBody>{text.dry}</PanelBody> : null}
      <BigButton
        text={isDry ? text.dryYes : text.quickYes}
        look="plain"
        onPress={() => onYes(isDry)}
      />
      <BigButton text={isDry ? text.dryNo : text.quickNo} onPress={onNo} />
    </View>
  );
}
