import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { stageWords, type Sheet } from '@stennet/core/procedure';
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
import { Chip, Line, Loading, Section } from '@/ui';
import { TraceChart } from '@/ui/work';
import { text } from '../text';

/**
 * Torque-angle curves of a digital wrench: the last counted pull of each fastener, stage by stage.
 */
export function TracesCard({ sheet, record }: { sheet: Sheet; record: RunRecord }) {
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
        stages.map((s) => <StageCurves key={s.stage.id} sheet={sheet} traced={s} traces={traces} />)
      )}
      {missing > 0 ? <Line strong>{text.trace.missing({ count: missing })}</Line> : null}
      <Line>{text.trace.note}</Line>
    </Section>
  );
}

const NONE: readonly LookedAt[] = [];

function StageCurves({
  sheet,
  traced,
  traces,
}: {
  sheet: Sheet;
  traced: TracedStage;
  traces: ReadonlyMap<string, Trace>;
}) {
  const { format, me } = useSignedIn();
  const { stage, pulls } = traced;
  const known = tracedPulls(sheet, traced, traces);
  const { data: looked, isError } = useTraceLooks(pulls.map((p) => p.trace).join(), known);
  const odd = (looked ?? NONE).filter((l) => l.look && l.look.is !== 'ok');
  const [chosen, setChosen] = useState<string | null>(null);
  const bolt = chosen ?? odd[0]?.id ?? null;
  const one = looked?.find((l) => l.id === bolt);
  const unit: UnitCode =
    stage.target && 'value' in stage.target && units[stage.target.unit].kind === 'torque'
      ? stage.target.unit
      : me.shop.torqueUnit;
  if (known.length === 0) return null;
  // All of it at once: a chart that comes later would push the choice away from under the thumb.
  if (!looked)
    return isError ? (
      <Line strong>{text.trace.failed}</Line>
    ) : (
      <Loading text={text.trace.loading} />
    );
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
      <TraceChart
        looked={looked}
        bolt={bolt}
        odd={odd.map((l) => l.id)}
        unit={unit}
        label={text.trace.label({ stage: name, lines: looked.map(most).join('. ') })}
      />
      <Line>
        {(looked.some((l) => shownCurve(l).fromSnug)
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
          {pulls.find((p) => p.bolt === one.id)?.said ? <Line>{text.trace.said}</Line> : null}
        </View>
      ) : null}
    </View>
  );
}
