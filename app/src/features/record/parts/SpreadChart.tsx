import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-gifted-charts';
import { robustZ } from '@stennet/core/measure';
import { stageWords } from '@stennet/core/procedure';
import { boltLabel, pullsIn, type RunRecord } from '@stennet/core/record';
import { convert, units } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { FONT, Line, Section, useInks } from '@/ui';
import { text } from '../text';

/** Fewer cannot be told apart from chance. */
const LEAST = 6;

/** How far the measured values of a stage lie apart; a bolt that stands out is to be looked at again, no verdict. */
export function SpreadChart({ record }: { record: RunRecord }) {
  const { format } = useSignedIn();
  const spreads = spreadsOf(record);
  if (spreads.length === 0) return null;
  return (
    <Section title={text.spread}>
      {spreads.map((s) => (
        <View key={s.stage.id}>
          <Line strong>{stageWords(s.stage, format)}</Line>
          <Bars spread={s} />
          <Line>{text.spreadLine(format.number(s.low, 1), format.number(s.high, 1), s.symbol, format.number(s.median ?? 0, 1))}</Line>
          {s.odd.length > 0 ? <Line strong>{text.standsOut(s.odd.join(', '))}</Line> : null}
        </View>
      ))}
      <Line>{text.spreadNote}</Line>
    </Section>
  );
}

type Spread = ReturnType<typeof spreadsOf>[number];

export function spreadsOf(record: RunRecord) {
  return record.stages.flatMap((stage) => {
    const read = record.fasteners.flatMap((f) => {
      const last = pullsIn(f, stage).at(-1);
      return f.replaced || !last?.reading ? [] : [{ bolt: boltLabel(f.fastener), reading: last.reading }];
    });
    const unit = read[0]?.reading.unit;
    if (!unit || read.length < LEAST) return [];
    const values = read.map((r) => ({ bolt: r.bolt, value: convert(r.reading, unit) }));
    const { flags, median } = robustZ(values.map((v) => v.value));
    const odd = values.flatMap((v, i) => (flags?.[i] && flags[i] !== 'ok' ? [v.bolt] : []));
    const numbers = values.map((v) => v.value);
    return [{ stage, values, odd, median, low: Math.min(...numbers), high: Math.max(...numbers), symbol: units[unit].symbol }];
  });
}

/** Drawn from a little below the lowest, so that a difference can be seen; the line below names the numbers. */
function Bars({ spread }: { spread: Spread }) {
  const inks = useInks();
  const [width, setWidth] = useState(0);
  const room = Math.max(spread.high - spread.low, Math.abs(spread.high) * 0.02);
  const from = spread.low - room * 0.5;
  const label = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  const step = Math.max(14, (width - 40) / spread.values.length);
  return (
    <View role="img" aria-label={text.spreadLabel(spread.values.map((v) => `${v.bolt}: ${v.value}`).join(', '))} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
      {width === 0 ? null : (
        <View aria-hidden>
          <BarChart
            data={spread.values.map((v) => ({ value: v.value - from, label: v.bolt, frontColor: spread.odd.includes(v.bolt) ? inks.warn : inks.brand, labelTextStyle: label }))}
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
        </View>
      )}
    </View>
  );
}
