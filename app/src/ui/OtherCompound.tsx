import { StyleSheet, View } from 'react-native';
import type { ChangeLevel, FrictionChange } from '@stennet/core/clamp';
import { FRICTION_CONDITIONS, FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { ChoiceField } from './fields';
import { Notice } from './Notice';

const LEVELS: Record<ChangeLevel, string> = {
  ok: 'hardly anything changes',
  note: 'it changes noticeably',
  warn: 'that is another joint',
  stop: 'never at this torque',
};

interface Props {
  label: string;
  /** What the value was published for. */
  published: FrictionCondition;
  chosen: FrictionCondition | undefined;
  onChoose: (condition: FrictionCondition) => void;
  /** null: it cannot be computed for this fastener. */
  change: FrictionChange | null;
}

/** What another compound does to the clamp load at the published torque: an explanation, never another torque. */
export function OtherCompound({ label, published, chosen, onChoose, change }: Props) {
  const others = FRICTION_CONDITIONS.filter((c) => c !== published);
  return (
    <View style={styles.box}>
      <ChoiceField label={label} value={chosen} options={others.map((c) => ({ value: c, text: FRICTION_TEXT[c] }))} onChange={onChoose} />
      {chosen === undefined ? null : change ? (
        <Notice title={changeTitle(change)} text={changeText(change, FRICTION_TEXT[published], FRICTION_TEXT[chosen])} look={change.level === 'ok' ? 'plain' : 'warn'} alert />
      ) : (
        <Notice title={LEVELS.warn} look="warn" alert />
      )}
    </View>
  );
}

const percent = (share: number): string => `${share > 0 ? '+' : '−'}${Math.abs(Math.round(share * 100))} %`;
const changeTitle = ({ change, level }: FrictionChange): string => `Clamp load ${percent(change)}: ${LEVELS[level]}`;

function changeText({ change, changeLow, changeHigh, utilisationActual }: FrictionChange, was: string, is: string): string {
  const what = change < 0 ? 'The joint stays slacker' : utilisationActual > 1 ? 'The bolt is taken past yield' : 'The bolt is pulled harder';
  return `At the published torque, ${is} instead of ${was}: ${percent(Math.min(changeLow, changeHigh))} to ${percent(Math.max(changeLow, changeHigh))}. ${what}. The torque is not changed to make up for it: only the lead can allow another compound, in writing.`;
}

const styles = StyleSheet.create({ box: { gap: 8 } });
