import { memo } from 'react';
import { View } from 'react-native';
import { shallow } from 'zustand/shallow';
import type { Outcome, PullNext } from '@stennet/core/run';
import { BigButton, useSteady } from '@/ui';
import type { Answer } from '../answers';
import { text } from '../text';
import { styles } from './PullHead';

interface Props {
  due: PullNext;
  answers: readonly Answer[];
  /** What is due is told by a reading alone. */
  mustRead: boolean;
  /** What is said of all of them at once. */
  together: string | null;
  onTogether: () => void;
  onGive: (outcome: Outcome) => void;
  onGoBack: () => void;
  onReading: () => void;
  onTool: () => void;
  onWrong: () => void;
}

export function PullButtons({ due, ...props }: Props) {
  return (
    <Buttons
      {...props}
      isChoice={due.outcomes.length > 1}
      beside={besideOf(due, props.mustRead)}
      onTogether={useSteady(props.onTogether)}
      onGive={useSteady(props.onGive)}
      onGoBack={useSteady(props.onGoBack)}
      onReading={useSteady(props.onReading)}
      onTool={useSteady(props.onTool)}
      onWrong={useSteady(props.onWrong)}
    />
  );
}

/** What may be said beside the answers. */
function besideOf(
  { task, tool }: PullNext,
  mustRead: boolean,
): 'angle' | 'reading' | 'tool' | null {
  if (task.action === 'angle') return 'angle';
  if (!mustRead && ['dial', 'digital'].includes(tool.method)) return 'reading';
  return tool.method === 'click' ? 'tool' : null;
}

interface RowProps extends Omit<Props, 'due'> {
  isChoice: boolean;
  beside: ReturnType<typeof besideOf>;
}

/** From pull to pull they mostly say the same: not drawn again then. */
const Buttons = memo(
  function Buttons(props: RowProps) {
    const { answers, mustRead, isChoice, beside, together, onTogether, onGive } = props;
    const { onGoBack, onReading, onTool, onWrong } = props;
    const [main] = answers;
    const giveMain = (): void => main && onGive(main.outcome);
    return (
      <>
        <View style={styles.row}>
          {together !== null ? (
            <BigButton text={together} grow onPress={onTogether} />
          ) : isChoice ? (
            answers.map((a) => (
              <BigButton
                key={a.outcome}
                text={a.label}
                {...(a.hint ? { hint: a.hint } : {})}
                look="plain"
                grow
                onPress={() => onGive(a.outcome)}
              />
            ))
          ) : (
            <BigButton
              text={mustRead ? text.reading : (main?.label ?? '')}
              grow
              onPress={giveMain}
            />
          )}
        </View>
        <View style={styles.row}>
          <BigButton text={text.goBack} look="quiet" grow onPress={onGoBack} />
          {together !== null ? (
            <BigButton text={main?.label ?? ''} look="quiet" grow onPress={giveMain} />
          ) : null}
          {beside === 'angle' ? (
            <BigButton text={text.otherAngle} look="quiet" grow onPress={onReading} />
          ) : null}
          {beside === 'reading' ? (
            <BigButton text={text.reading} look="quiet" grow onPress={onReading} />
          ) : null}
          {beside === 'tool' ? (
            <BigButton text={text.otherTool} look="quiet" grow onPress={onTool} />
          ) : null}
          <BigButton text={text.wrong} look="warn" grow onPress={onWrong} />
        </View>
      </>
    );
  },
  ({ answers: before, ...a }, { answers, ...b }) =>
    shallow(a, b) &&
    before.length === answers.length &&
    before.every((answer, i) => shallow(answer, answers[i])),
);
