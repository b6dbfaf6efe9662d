import { View } from 'react-native';
import { stripeDial } from '@stennet/core/drawing';
import { groupOfSeat } from '@stennet/core/procedure';
import { seatIdOf, stripeBefore, taskNamed, type RunState } from '@stennet/core/run';
import { BigButton } from '@/ui';
import { DrawingView } from '@/ui/work';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { ReadingForm } from './ReadingForm';

interface Props {
  state: RunState;
  fastener: string;
  stage: string;
  onRead: (stripeDeg: number) => void;
  onCancel: () => void;
}

/**
 * Where a stripe stood before a stage and where it stands when the stage is done; null where no one
 * can tell.
 */
export function stripePlaces(
  state: RunState,
  fastener: string,
  stage: string,
): { before: number; target: number } | null {
  const seat = state.progress.seats[seatIdOf(fastener)];
  const part = state.sheet.stages.find((s) => s.id === stage)?.each?.[seat?.parts ?? 0]?.id;
  const task = taskNamed(state.sheet, state.progress, { stage, ...(part ? { part } : {}) });
  const before = seat && task ? stripeBefore(seat, task.key) : null;
  return before === null || !task?.target ? null : { before, target: task.target.value };
}

/**
 * Read off from where it was painted, over all stages since: drawn, with the two answers that are
 * usual and one for all others.
 */
export function StripeForm({ state, fastener, stage, onRead, onCancel }: Props) {
  const places = stripePlaces(state, fastener, stage);
  if (!places) return <PanelBody>{text.stripeLost}</PanelBody>;
  const { before, target } = places;
  const { head } = groupOfSeat(state.sheet, seatIdOf(fastener));
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.stripeTitle({ name: fastenerName(state.sheet, fastener) })}</PanelTitle>
      <View style={{ alignItems: 'center' }}>
        <DrawingView
          drawing={stripeDial(before, target, head)}
          label={text.stripeDrawn({ before, target: before + target })}
          width={160}
          height={160}
        />
      </View>
      <PanelBody>{text.stripeText({ before, target: before + target })}</PanelBody>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <BigButton
          text={text.stripeNot}
          hint={text.stripeAt({ deg: before })}
          look="plain"
          grow
          onPress={() => onRead(before)}
        />
        <BigButton
          text={text.stripeAll}
          hint={text.stripeAt({ deg: before + target })}
          look="plain"
          grow
          onPress={() => onRead(before + target)}
        />
      </View>
      <ReadingForm
        title=""
        label={text.stripeLabel}
        hint=""
        onRecord={onRead}
        onCancel={onCancel}
      />
    </View>
  );
}
