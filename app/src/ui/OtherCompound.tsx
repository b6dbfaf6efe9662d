import { StyleSheet, View } from 'react-native';
import type { ChangeLevel, FrictionChange } from '@stennet/core/clamp';
import { FRICTION_CONDITIONS, FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { ChoiceField } from './fields';
import { Notice } from './Notice';

const LEVELS: Record<ChangeLevel, string> = {
  ok: '',
  note: 'a noticeable change',
  warn: 'too far from what was published',
  stop: 'never at this torque',
};

interface Props {
  label: string;
  /** What the value was published for. */
  published: FrictionCondition;
  chosen: FrictionCondition | undefined;
  onChoose: (condition: FrictionCondition) => void;
  /** null: it cannot be computed for this fastener. */
  change: Change | null;
}

/**
 * What another compound does to the clamp load at the published torque: an explanation, never
 * another torque.
 */
export function OtherCompound({ label, published, chosen, onChoose, change }: Props) {
  const others = FRICTION_CONDITIONS.filter((c) => c !== published);
  return (
    <View style={styles.box}>
      <ChoiceField
        label={label}
        value={chosen}
        options={others.map((c) => ({ value: c, text: FRICTION_TEXT[c] }))}
        onChange={onChoose}
      />
      {chosen === undefined ? null : change ? (
        <Notice
          title={changeTitle(change)}
          text={changeText(change, FRICTION_TEXT[published], FRICTION_TEXT[chosen])}
          look={change.level === 'ok' ? 'plain' : 'warn'}
          alert
        />
      ) : (
        <Notice title={LEVELS.warn} look="warn" alert />
      )}
    </View>
  );
}

/** @example percent(-0.004) // 'no change' */
const percent = (share: number): string =>
  Math.round(share * 100) === 0
    ? 'no change'
    : `${Math.abs(Math.round(share * 100))}% ${share > 0 ? 'more' : 'less'}`;
const changeTitle = ({ change, level, afterAngle }: Change): string =>
  `Clamp load${afterAngle ? ' after the angle' : ''}: ${percent(change)}${level === 'ok' ? '' : `, ${LEVELS[level]}`}`;
type Change = FrictionChange & { afterAngle: boolean };

function changeText(
  { change, changeLow, changeHigh, utilisationActual, afterAngle }: Change,
  was: string,
  is: string,
): string {
  const what =
    change < 0
      ? 'The joint clamps less'
      : utilisationActual > 1 && !afterAngle
        ? 'The bolt is taken past yield'
        : 'The bolt is pulled harder';
  return `At the published ${afterAngle ? 'torque and angle' : 'torque'}, ${is} instead of ${was}: ${percent(Math.min(changeLow, changeHigh))} to ${percent(Math.max(changeLow, changeHigh))}. ${what}. The torque is not changed to make up for it: only the lead can allow another compound, in writing.`;
}

const styles = StyleSheet.create({ box: { gap: 8 } });
