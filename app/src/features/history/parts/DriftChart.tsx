import type { HistoryLine } from '@stennet/core/contract';
import { useSignedIn } from '@/data';
import { FONT, Line, Section, useInks } from '@/ui';
import { ChartFrame, LineChart } from '@/ui/work';
import { text } from '../text';

/**
 * Of a wrench that says what it read: how its readings lay against what was aimed at, job by job,
 * the oldest first.
 */
export function DriftChart({ lines }: { lines: readonly HistoryLine[] }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const points = [...lines]
    .reverse()
    .flatMap((l) =>
      l.use?.ratio == null
        ? []
        : [{ percent: l.use.ratio * 100, day: format.day(l.at.slice(0, 10)) }],
    );
  if (points.length < 2) return null;
  const furthest = Math.max(2, ...points.map((p) => Math.abs(p.percent - 100) * 1.4));
  const label = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  return (
    <Section title={text.drift}>
      <ChartFrame
        label={text.driftLabel({
          points: points.map((p) => `${p.day} ${format.number(p.percent, 1)} %`).join(', '),
        })}
      >
        {(width) => (
          <LineChart
            data={points.map((p) => ({ value: p.percent - 100 + furthest }))}
            height={140}
            width={width - 64}
            maxValue={furthest * 2}
            noOfSections={2}
            yAxisLabelTexts={[100 - furthest, 100, 100 + furthest].map(
              (v) => `${format.number(v, 1)} %`,
            )}
            yAxisLabelWidth={52}
            yAxisTextStyle={label}
            color={inks.brand}
            dataPointsColor={inks.brand}
            thickness={3}
            initialSpacing={18}
            spacing={(width - 140) / (points.length - 1)}
            hideDataPoints={points.length > 24}
            yAxisThickness={0}
            xAxisColor={inks.line}
            rulesColor={inks.line}
            disableScroll
          />
        )}
      </ChartFrame>
      <Line>{text.driftText}</Line>
    </Section>
  );
}
