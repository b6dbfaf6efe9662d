import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { convert, type UnitCode } from '@stennet/core/quantity';
import { shownCurve, type LookedAt } from '@stennet/core/trace';
import { ChartFrame } from './ChartFrame';
import { LineChart } from './charts';
import { roundStep } from './roundStep';
import { FONT, useInks } from './theme';

const POINTS = 90;
const SECTIONS = 4;
const Y_LABELS = 40;

/**
 * All curves of a stage over each other, each from the same place; the chosen one and those that
 * stand out are told apart by more than color.
 */
export function TraceChart({
  looked,
  bolt,
  odd,
  unit,
  label,
}: {
  looked: readonly LookedAt[];
  bolt: string | null;
  odd: readonly string[];
  unit: UnitCode;
  label: string;
}) {
  const inks = useInks();
  const parts = looked.map((l) => ({ id: l.id, ...shownCurve(l) }));
  const longest = parts.reduce((most, p) => (p.angleDeg.length > most.angleDeg.length ? p : most));
  const step = Math.max(1, Math.ceil(longest.angleDeg.length / POINTS));
  const inUnit = (nm: number): number => convert({ value: nm, unit: 'N.m' }, unit);
  const count = Math.ceil(longest.angleDeg.length / step);
  const soft = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  const lines = parts.map((p) => ({
    id: p.id,
    data: p.torqueNm.filter((_, i) => i % step === 0).map((nm) => ({ value: inUnit(nm) })),
    color: p.id === bolt ? inks.ink : odd.includes(p.id) ? inks.warn : inks.brand,
    thickness: p.id === bolt ? 4 : odd.includes(p.id) ? 3 : 1,
    hideDataPoints: true,
  }));
  // The chosen one is drawn last, above the others.
  lines.sort((a, b) => Number(a.id === bolt) - Number(b.id === bolt));
  const [first, last] = [longest.angleDeg[0] ?? 0, longest.angleDeg.at(-1) ?? 0];
  const most = Math.max(...lines.flatMap((l) => l.data.map((d) => d.value)));
  return (
    <ChartFrame label={label} height={211}>
      {(width) => (
        <>
          <LineChart
            dataSet={lines}
            height={180}
            width={width - 60}
            spacing={(width - 76) / Math.max(1, count - 1)}
            initialSpacing={4}
            endSpacing={0}
            maxValue={roundStep(most / SECTIONS) * SECTIONS}
            noOfSections={SECTIONS}
            yAxisTextStyle={soft}
            yAxisLabelWidth={Y_LABELS}
            yAxisColor={inks.line}
            xAxisColor={inks.line}
            rulesColor={inks.line}
            disableScroll
            xAxisLabelsHeight={0}
          />
          <View
            style={{
              flexDirection: 'row',
              justifyContent: 'space-between',
              marginLeft: Y_LABELS,
              marginRight: 16,
            }}
          >
            {[0, 0.25, 0.5, 0.75, 1].map((share) => (
              <Text
                key={share}
                style={soft}
              >{`${Math.round(first + share * (last - first))}°`}</Text>
            ))}
          </View>
        </>
      )}
    </ChartFrame>
  );
}
