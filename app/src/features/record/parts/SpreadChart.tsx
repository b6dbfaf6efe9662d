import { View } from 'react-native';
import { stageWords } from '@stennet/core/procedure';
import { spreadsOf, type RunRecord, type Spread } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { FONT, Line, Section, useInks } from '@/ui';
import { BarChart, ChartFrame } from '@/ui/work';
import { text } from '../text';

/**
 * How far the measured values of a stage lie apart; a bolt that stands out is to be looked at
 * again, no verdict.
 */
export function SpreadChart({ record }: { record: RunRecord }) {
  const { format } = useSignedIn();
  const spreads = spreadsOf(record);
  if (spreads.length === 0) return null;
  const say = ({ unit }: Spread, value: number) => format.quantity({ value, unit });
  return (
    <Section title={text.spread}>
      {spreads.map((s) => (
        <View key={s.stage.id}>
          <Line strong>{stageWords(s.stage, format)}</Line>
          <Bars spread={s} say={(value) => say(s, value).text} />
          <Line>
            {text.spreadLine({
              low: say(s, s.low).number,
              high: say(s, s.high).text,
              median: say(s, s.median ?? 0).text,
            })}
          </Line>
          {s.odd.length > 0 ? (
            <Line strong>{text.standsOut({ bolts: s.odd.join(', ') })}</Line>
          ) : null}
        </View>
      ))}
      <Line>{text.spreadNote}</Line>
    </Section>
  );
}

/**
 * Drawn from a little below the lowest, so that a difference can be seen; the line below names the
 * numbers.
 */
function Bars({ spread, say }: { spread: Spread; say: (value: number) => string }) {
  const inks = useInks();
  const room = Math.max(spread.high - spread.low, Math.abs(spread.high) * 0.02);
  const from = spread.low - room * 0.5;
  const label = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  return (
    <ChartFrame
      height={139}
      label={text.spreadLabel({
        values: spread.values.map((v) => `${v.bolt}: ${say(v.value)}`).join(', '),
      })}
    >
      {(width) => {
        const step = Math.max(14, (width - 40) / spread.values.length);
        return (
          <BarChart
            data={spread.values.map((v) => ({
              value: v.value - from,
              label: v.bolt,
              frontColor: spread.odd.includes(v.bolt) ? inks.warn : inks.brand,
              labelTextStyle: label,
            }))}
            height={110}
            width={width - 30}
            maxValue={room * 2}
            barWidth={step * 0.6}
            spacing={step * 0.4}
            initialSpacing={6}
            hideYAxisText
            yAxisThickness={0}
            xAxisColor={inks.line}
            hideRules
            disablePress
            disableScroll
          />
        );
      }}
    </ChartFrame>
  );
}
