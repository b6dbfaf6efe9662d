import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isOn, orderOf, stageWords } from '@stennet/core/procedure';
import type { RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { MONO, useInks } from '@/ui';
import { text } from '../text';

/** Wide screens: every fastener's values under the map, the one in hand tinted. */
export function ValuesStrip({
  state,
  nextSeat,
  nextStage,
}: {
  state: RunState;
  nextSeat: string | null;
  nextStage: number;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { sheet, progress } = state;
  const order = orderOf(sheet, Math.min(progress.stage, sheet.stages.length - 1));
  const valueOf = (seatId: string, index: number): string => {
    const stage = sheet.stages[index];
    const seat = progress.seats[seatId];
    if (!stage || !seat || !isOn(sheet, index, seatId)) return '';
    const isDone = seat.done[stage.id] || (index === progress.stage && progress.inPass[seatId]);
    if (!isDone) return seatId === nextSeat && index === nextStage ? text.valueNow : '·';
    const turned = seat.turnedDeg[stage.id];
    return turned === undefined || turned === null
      ? stageWords(stage, format)
      : format.angle(turned);
  };
  return (
    <ScrollView
      horizontal
      role="region"
      aria-label={text.values}
      tabIndex={0}
      contentContainerStyle={styles.strip}
    >
      {order.map((id) => (
        <View
          key={id}
          style={[
            styles.cell,
            {
              borderColor: inks.line,
              backgroundColor: id === nextSeat ? inks.brandSoft : inks.card,
            },
          ]}
        >
          <Text style={{ color: inks.ink, fontSize: 15, fontWeight: '700' }}>{id}</Text>
          {sheet.stages.map((s, i) => (
            <Text key={s.id} style={{ fontFamily: MONO, fontSize: 14, color: inks.ink }}>
              {valueOf(id, i)}
            </Text>
          ))}
        </View>
      ))}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  strip: { flexGrow: 1 },
  cell: { flexGrow: 1, minWidth: 72, borderWidth: 1, padding: 8, gap: 2, marginLeft: -1 },
});
