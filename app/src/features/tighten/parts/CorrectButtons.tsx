import type { Stage } from '@stennet/core/procedure';
import type { PayloadOf } from '@stennet/core/run';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';

interface Props {
  pull: PayloadOf<'pulled'> & { id: string };
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
          text={text.backSettle(outcome)}
          look="plain"
          onPress={() => void acts.correct(pull, outcome === 'turned' ? 'heldStill' : 'turned')}
        />
      ) : null}
    </>
  );
}
