import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { stageWords } from '@stennet/core/procedure';
import { convert, units, type UnitCode } from '@stennet/core/quantity';
import {
  lookText,
  tracedPulls,
  tracedStages,
  type RunRecord,
  type TracedStage,
} from '@stennet/core/record';
import { shownCurve, type LookedAt, type Trace } from '@stennet/core/trace';
import { useSignedIn, useTraceLooks, useTraces } from '@/data';
import { Chip, FONT, Line, Loading, Section, useInks } from '@/ui';
import { ChartFrame, LineChart } from '@/ui/work';
import { text } from '../text';

/**
 * Torque-angle curves of a digital wrench: the last counted pull of each fastener, stage by stage.
 */
export function TracesCard({ record }: { record: RunRecord }) {
  const stages = useMemo(() => tracedStages(record), [record]);
  const { traces, missing, isLoading } = useTraces(
    useMemo(() => stages.flatMap((s) => s.pulls.map((p) => p.trace)), [stages]),
  );
  if (stages.length === 0) return null;
  const isSimulated = [...traces.values()].some((t) => t.simulated);
  return (
    <Section title={text.trace.title}>
      {isSimulated ? <Line strong>{text.trace.simulated}</Line> : null}
      {isLoading ? (
        <Loading text={text.trace.loading} />
      ) : (
        stages.map((s) => <StageCurves key={s.stage.id} traced={s} traces={traces} />)
      )}
      {missing > 0 ? <Line strong>{text.trace.missing({ count: missing })}</Line> : null}
      <Line>{text.trace.note}</Line>
    </Section>
  );
}

function StageCurves({
  traced,
  traces,
}: {
  traced: TracedStage;
  traces: ReadonlyMap<string, Trace>;
}) {
  const { format, me } = useSignedIn();
  const { stage, pulls } = traced;
  const known = tracedPulls(traced, traces);
  const { data: looked, isError } = useTraceLooks(pulls.map((p) => p.trace).join(), known);
  const odd = (looked ?? []).filter((l) => l.look && l.look.is !== 'ok');
  const [chosen, setChosen] = useState<string | null>(null);
  const bolt = chosen ?? odd[0]?.id ?? null;
  const one = looked?.find((l) => l.id === bolt);
  const unit: UnitCode =
    stage.target && 'value' in stage.target && units[stage.target.unit].kind === 'torque'
      ? stage.target.unit
      : me.shop.torqueUnit;
  if (known.length === 0) return null;
  const name = stageWords(stage, format);
  const most = (l: LookedAt): string =>
    text.trace.one({
      bolt: l.id,
      nm: format.number(convert({ value: l.findings.maxTorqueNm, unit: 'N.m' }, unit), 1),
      unit: units[unit].symbol,
    });
  return (
    <View style={{ gap: 6 }}>
      <Line strong>{text.trace.stage({ stage: name, count: known.length })}</Line>
      {odd.length > 0 ? (
        <Line strong>{text.trace.lookAgain({ bolts: odd.map((l) => l.id).join(', ') })}</Line>
      ) : null}
      {looked ? (
        <Curves
          looked={looked}
          bolt={bolt}
          odd={odd.map((l) => l.id)}
          unit={unit}
          label={text.trace.label({ stage: name, lines: looked.map(most).join('. ') })}
        />
      ) : isError ? (
        <Line strong>{text.trace.failed}</Line>
      ) : (
        <Loading text={text.trace.loading} />
      )}
      <Line>
        {(looked?.some((l) => shownCurve(l).fromSnug)
          ? text.trace.captionSnug
          : text.trace.captionTight)({ unit: units[unit].symbol })}
      </Line>
      <View
        role="radiogroup"
        aria-label={text.trace.choose({ stage: name })}
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}
      >
        {known.map((p) => (
          <Chip
            key={p.id}
            role="radio"
            text={p.id}
            on={p.id === bolt}
            onPress={() => setChosen(p.id)}
          />
        ))}
      </View>
      {one ? (
        <View role="status">
          <Line strong>{most(one)}</Line>
          <Line>{lookText(one.look)}</Line>
        </View>
      ) : null}
    </View>
  );
}

const POINTS = 90;
const SECTIONS = 4;
const Y_LABELS = 40;

/**
 * All curves of a stage over each other, each from the same place; the chosen one and those that
 * stand out are told apart by more than color.
 */
function Curves({
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
    <ChartFrame label={label}>
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

const ROUND = [1, 2, 5, 10];
/** The next of 1, 2, 5, 10, 20 … */
function roundStep(least: number): number {
  const ten = 10 ** Math.floor(Math.log10(Math.max(least, 0.1)));
  return (ROUND.find((r) => r * ten >= least) ?? 10) * ten;
}
