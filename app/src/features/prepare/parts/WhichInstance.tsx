import { StyleSheet, View } from 'react-native';
import type { Joint } from '@stennet/core/contract';
import { runOf } from '@stennet/core/order';
import type { Sheet } from '@stennet/core/procedure';
import { sittings } from '@stennet/core/run';
import { Card, Chip, Heading, Line } from '@/ui';
import { text } from '../text';

interface Props {
  instances: NonNullable<Sheet['instances']>;
  runs: Joint['runs'];
  part: string;
  chosen: string | null;
  onChoose: (label: string) => void;
}

/**
 * The joint occurs several times: which bank, cap or cylinder is in hand, and where the crank
 * stands for it.
 */
export function WhichInstance({ instances, runs, part, chosen, onChoose }: Props) {
  const deg = chosen === null ? undefined : instances.crankDeg?.[chosen];
  const others =
    chosen === null
      ? []
      : (sittings({ instances }).find((s) => s.includes(chosen)) ?? []).filter((l) => l !== chosen);
  return (
    <Card>
      <Heading>{text.instanceTitle[instances.kind] ?? text.instanceTitle.caps ?? ''}</Heading>
      <View role="radiogroup" aria-label={text.instanceTitle[instances.kind]} style={styles.chips}>
        {instances.labels.map((label) => (
          <Chip
            key={label}
            role="radio"
            text={
              runOf(runs, part, label)?.state === 'finished' ? text.instanceDone({ label }) : label
            }
            on={label === chosen}
            onPress={() => onChoose(label)}
          />
        ))}
      </View>
      {deg === undefined ? null : <Line strong>{text.crank({ deg: `${deg}°` })}</Line>}
      {others.length > 0 ? <Line>{text.pair({ labels: others.join(', ') })}</Line> : null}
    </Card>
  );
}

const styles = StyleSheet.create({ chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 } });
