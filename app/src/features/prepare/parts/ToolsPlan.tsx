import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { barLengthMm, HARD_PUSH_N, toolPlan, type Fit, type PlanLine } from '@stennet/core/prepare';
import { stageWords, type Sheet } from '@stennet/core/procedure';
import { convert, type Formatter } from '@stennet/core/quantity';
import { inUse, useSignedIn, useTools } from '@/data';
import { now } from '@/platform/clock';
import { BigButton, Line, Loading, Notice, Section, useInks } from '@/ui';
import { text } from '../text';

/** Which tool for which stage, what its scale must say, and how hard it is pulled. */
export function ToolsPlan({ sheet }: { sheet: Sheet }) {
  const tools = useTools();
  const router = useRouter();
  const { format } = useSignedIn();
  if (!tools.data)
    return tools.isError ? <Notice title={text.toolsAway} /> : <Loading text={text.toolsLoading} />;
  const plan = toolPlan(sheet, inUse(tools.data), now().toISOString().slice(0, 10));
  if (plan.lines.length === 0) return null;
  const torques = plan.lines.some((l) => l.fit.kind === 'wrench');
  return (
    <Section title={text.tools}>
      {torques ? <Line>{text.changes({ count: plan.changes })}</Line> : null}
      {plan.lines.map((line) => (
        <OneStage key={line.stage.id + (line.part?.id ?? '')} line={line} format={format} />
      ))}
      <BigButton
        text={text.toolList}
        look="quiet"
        size="desk"
        onPress={() => router.navigate('/tools')}
      />
    </Section>
  );
}

function wordsOf({ stage, part, target }: PlanLine, format: Formatter): string {
  const value = stageWords({ ...stage, target }, format);
  const name = part ? `${stage.name}, ${part.id}` : stage.name;
  return name.includes(value) ? name : `${value} · ${name}`;
}

function OneStage({ line, format }: { line: PlanLine; format: Formatter }) {
  const inks = useInks();
  const { fit } = line;
  const value = stageWords({ ...line.stage, target: line.target }, format);
  return (
    <View style={[styles.line, { borderTopColor: inks.line }]}>
      <Line>{wordsOf(line, format)}</Line>
      {fit.kind === 'missing' ? (
        <Notice title={text.missing({ value })} text={missingText(fit, format)} look="warn" />
      ) : null}
      {fit.kind === 'wrench' ? <WrenchLine fit={fit} format={format} target={line} /> : null}
      {fit.kind === 'angle' ? <AngleLine fit={fit} format={format} /> : null}
    </View>
  );
}

function WrenchLine({
  fit,
  format,
  target,
}: {
  fit: Extract<Fit, { kind: 'wrench' }>;
  format: Formatter;
  target: PlanLine;
}) {
  const { wrench, setting, errorPercent, pushN, tooCoarse } = fit;
  const facts = [
    Math.abs(errorPercent) >= 0.05
      ? text.rounding({
          percent: `${errorPercent > 0 ? '+' : '−'}${format.number(Math.abs(errorPercent))}`,
        })
      : '',
    pushN === null ? '' : text.push({ n: format.number(pushN, 0) }),
  ].filter(Boolean);
  const highest =
    'value' in target.target
      ? target.target
      : { value: target.target.max, unit: target.target.unit };
  return (
    <>
      <Line strong>
        {setting
          ? text.set({ wrench: wrench.name, value: format.inHand(setting).text })
          : text.choose({ wrench: wrench.name })}
      </Line>
      {facts.length > 0 ? <Line>{facts.join(' · ')}</Line> : null}
      {tooCoarse ? (
        <Notice
          title={text.tooCoarse({ wrench: wrench.name })}
          text={text.tooCoarseText}
          look="warn"
        />
      ) : null}
      {pushN !== null && pushN > HARD_PUSH_N ? (
        <Line strong>
          {text.hard({
            mm: format.quantity({ value: barLengthMm(convert(highest, 'N.m')), unit: 'mm' }).text,
          })}
        </Line>
      ) : null}
    </>
  );
}

function AngleLine({ fit, format }: { fit: Extract<Fit, { kind: 'angle' }>; format: Formatter }) {
  const gauges = [fit.gauge, fit.digital].filter((x): x is string => x !== null);
  const facts = [
    gauges.length > 0 ? text.gauge({ names: gauges.join(' / ') }) : text.noGauge,
    fit.endTorqueNm !== null && fit.pushN !== null
      ? text.end({
          nm: format.quantity({ value: Math.round(fit.endTorqueNm / 5) * 5, unit: 'N.m' }).text,
          n: format.number(Math.round(fit.pushN / 10) * 10),
        })
      : '',
  ].filter(Boolean);
  return (
    <>
      <Line strong>{fit.bar ? text.bar({ name: fit.bar.name }) : text.noBar}</Line>
      <Line>{facts.join(' · ')}</Line>
      {fit.pushN !== null && fit.endTorqueNm !== null && fit.pushN > HARD_PUSH_N ? (
        <Line strong>
          {text.hard({
            mm: format.quantity({ value: barLengthMm(fit.endTorqueNm), unit: 'mm' }).text,
          })}
        </Line>
      ) : null}
    </>
  );
}

function missingText(
  { why, nearest, byFeel }: Extract<Fit, { kind: 'missing' }>,
  format: Formatter,
): string {
  const name = nearest?.name ?? '';
  const at = (value: number): string =>
    nearest ? format.quantity({ value, unit: nearest.unit }).text : '';
  const reason = {
    tooLow: () => text.tooLow({ name, min: at(nearest?.min ?? 0) }),
    tooHigh: () => text.tooHigh({ name, max: at(nearest?.max ?? 0) }),
    between: () => text.between,
    overdue: () =>
      text.overdue({
        name,
        until: format.date(new Date(`${nearest?.calibratedUntil ?? '2000-01-01'}T12:00:00Z`)),
      }),
    none: () => text.none,
  }[why]();
  const way =
    why === 'overdue' || why === 'none'
      ? ''
      : byFeel
        ? text.byFeel
        : why === 'tooHigh'
          ? text.high
          : text.low;
  return [reason, way].filter(Boolean).join(' ');
}

const styles = StyleSheet.create({ line: { borderTopWidth: 1, paddingTop: 8, gap: 2 } });
