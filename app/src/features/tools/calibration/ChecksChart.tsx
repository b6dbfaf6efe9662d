import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { CHECK_PERCENTS, judgeCheck, type WrenchCheck } from '@stennet/core/calibration';
import { useSignedIn } from '@/data';
import { FONT, Section, useInks } from '@/ui';
import { ChartFrame, LineChart } from '@/ui/work';
import { text } from '../text';

/** How dashes tell the points apart, where color does not. */
const DASHES: Readonly<Record<number, number[]>> = { 20: [2, 4], 60: [8, 5], 100: [] };

/** How far the wrench was off at each point, check by check, the oldest first. */
export function ChecksChart({ checks }: { checks: readonly WrenchCheck[] }) {
  const inks = useInks();
  const { format } = useSignedIn();
  if (checks.length < 2) return null;
  const judged = [...checks].reverse().map((check) => ({ check, ...judgeCheck(check) }));
  // What the bolt got too much is drawn upwards.
  const series = CHECK_PERCENTS.map((percent) => ({
    percent,
    off: judged.map(
      ({ points }) =>
        -(
          points.find((p) => p.percent === percent && p.direction === 'right')?.deviationPercent ??
          0
        ),
    ),
  }));
  const tolerance = Math.max(...checks.map((c) => c.tolerancePercent));
  const furthest = Math.ceil(
    Math.max(tolerance, ...series.flatMap((s) => s.off.map(Math.abs))) * 1.2,
  );
  const percent = (n: number): string =>
    text.check.percent({ n: `${n > 0 ? '+' : n < 0 ? '−' : ''}${format.number(Math.abs(n), 1)}` });
  const label = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  const said = judged
    .map(({ check }, i) => {
      const offs = series.map(
        (s) => `${text.check.at({ p: s.percent })} ${percent(s.off[i] ?? 0)}`,
      );
      return `${format.day(check.day)}: ${offs.join(', ')}`;
    })
    .join('; ');
  return (
    <Section title={text.check.chart}>
      <ChartFrame label={text.check.chartLabel({ points: said })} height={191}>
        {(width) => (
          <LineChart
            dataSet={series.map((s) => ({
              data: s.off.map((value) => ({ value: value + furthest })),
              color: s.percent === 100 ? inks.brand : inks.ink,
              dataPointsColor: s.percent === 100 ? inks.brand : inks.ink,
              thickness: 3,
              strokeDashArray: DASHES[s.percent] ?? [],
            }))}
            height={160}
            width={width - 72}
            maxValue={furthest * 2}
            noOfSections={2}
            yAxisLabelTexts={[-furthest, 0, furthest].map(percent)}
            yAxisLabelWidth={60}
            yAxisTextStyle={label}
            initialSpacing={18}
            spacing={(width - 140) / (judged.length - 1)}
            showReferenceLine1
            referenceLine1Position={furthest + tolerance}
            referenceLine1Config={{ color: inks.warn, dashWidth: 6, dashGap: 4 }}
            showReferenceLine2
            referenceLine2Position={furthest - tolerance}
            referenceLine2Config={{ color: inks.warn, dashWidth: 6, dashGap: 4 }}
            yAxisThickness={0}
            xAxisColor={inks.line}
            rulesColor={inks.line}
            disableScroll
          />
        )}
      </ChartFrame>
      <View style={{ flexDirection: 'row', gap: 16, flexWrap: 'wrap' }}>
        {series.map(({ percent }) => (
          <Text key={percent} style={{ ...label, fontSize: 15 }}>
            {`${percent === 100 ? '━━' : percent === 60 ? '━ ━' : '· · ·'} ${text.check.at({ p: percent })}`}
          </Text>
        ))}
      </View>
    </Section>
  );
}
