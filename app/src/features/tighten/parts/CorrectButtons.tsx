import type { Stage } from '@stennet/core/procedure';
import type { PayloadOf } from '@stennet/core/run';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { ReadingForm } from './ReadingForm';

type Given = PayloadOf<'pulled'> & { id: string };

interface Props {
  pull: Given;
  stage: Stage | undefined;
  acts: Acts;
  onReading: () => void;
}

/** What a pull may be corrected to: another angle, or the other answer of a settling pass. */
export function CorrectButtons({ pull, stage, acts, onReading }: Props) {
  const { outcome } = pull;
  return (
    <>
      {stage?.action === 'angle' ? (
        <BigButton text={text.backOther} look="plain" onPress={onReading} />
      ) : null}
      {outcome === 'turned' || outcome === 'heldStill' ? (
        <BigButton
          text={outcome === 'turned' ? text.backStill : text.backMoved}
          look="plain"
          onPress={() => void acts.correct(pull, outcome === 'turned' ? 'heldStill' : 'turned')}
        />
      ) : null}
    </>
  );
}

/** A pull that was turned by another angle than was said. */
export function OtherAngleForm({
  pull,
  acts,
  onCancel,
}: {
  pull: Given;
  acts: Acts;
  onCancel: () => void;
}) {
  return (
    <ReadingForm
      title={text.backOther}
      label={text.angleLabel}
      hint=""
      onRecord={(value) => void acts.correct(pull, 'reached', { value, unit: 'deg' })}
      onCancel={onCancel}
    />
  );
}
