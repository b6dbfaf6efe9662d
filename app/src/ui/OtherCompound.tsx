import { StyleSheet, View } from 'react-native';
import type { FrictionChange } from '@stennet/core/clamp';
import { upperFirst } from '@stennet/core/language';
import { FRICTION_CONDITIONS, FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { ChoiceField } from './fields';
import { commonText } from '@/language/common';
import { Notice } from './Notice';

const text = commonText.compound;

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
        <Notice title={upperFirst(text.warn)} look="warn" alert />
      )}
    </View>
  );
}

/** @example percent(-0.004) // 'no change' */
function percent(share: number): string {
  const whole = Math.round(share * 100);
  if (whole === 0) return text.same;
  return (whole > 0 ? text.more : text.less)({ percent: Math.abs(whole) });
}
function changeTitle({ change, level, afterAngle }: Change): string {
  const title = (afterAngle ? text.titleAfter : text.title)({ change: percent(change) });
  return level === 'ok' ? title : text.titleLevel({ title, level: text[level] });
}
type Change = FrictionChange & { afterAngle: boolean };

function changeText(
  { change, changeLow, changeHigh, utilisationActual, afterAngle }: Change,
  was: string,
  is: string,
): string {
  return text.text({
    is: upperFirst(is),
    was,
    low: percent(Math.min(changeLow, changeHigh)),
    high: percent(Math.max(changeLow, changeHigh)),
    effect:
      change < 0
        ? text.clampsLess
        : utilisationActual > 1 && !afterAngle
          ? text.yields
          : text.pulled,
  });
}

const styles = StyleSheet.create({ box: { gap: 8 } });
