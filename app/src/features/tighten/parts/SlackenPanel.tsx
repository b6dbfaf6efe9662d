import { text, fastenerName } from '../text';
import { PanelBody } from './PanelText';
import { Step, type StepProps } from './StepPanel';
import { BigButton } from '@/ui';

/**
 * Going back over a joint that is still clamped: what is tight comes loose first, last tightened
 * first.
 */
export function SlackenPanel({ due, state, acts, onGoBack }: StepProps<'slacken'>) {
  return (
    <Step
      title={text.slackenTitle({ count: due.fasteners.length })}
      yes={text.slackenYes({ count: due.fasteners.length })}
      onYes={() => void acts.confirm('slackened', { fasteners: [...due.fasteners] })}
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody strong>
        {text.slackenOrder({
          names: due.fasteners.map((f) => fastenerName(state.sheet, f)).join(', '),
        })}
      </PanelBody>
      <PanelBody>{text.slackenThen({ stage: due.stage.name })}</PanelBody>
    </Step>
  );
}
