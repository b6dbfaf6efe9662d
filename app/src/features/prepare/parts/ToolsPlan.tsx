import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { barLengthMm, HARD_PUSH_N, toolPlan, type Fit, type PlanLine } from '@stennet/core/prepare';
import { stageWords, type Sheet } from '@stennet/core/procedure';
import { convert, type Formatter, type Quantity } from '@stennet/core/quantity';
import { inUse, useSignedIn, useTools } from '@/data';
import { now } from '@/platform/clock';
import { Line, Loading, Notice, Section, useInks } from '@/ui';
import { text } from '../text';

/** Which tool for which stage, what its scale must say, and how hard it is pulled. */
export function ToolsPlan({ sheet, help }: { sheet: Sheet; help: ReactNode }) {
  const tools = useTools();
  const { format } = useSignedIn();
  if (!tools.data)
    return tools.isError ? <Notice title={text.toolsAway} /> : <Loading text={text.toolsLoading} />;
  const plan = toolPlan(sheet, inUse(tools.data), now().toISOString().slice(0, 10));
  if (plan.lines.length === 0) return null;
  return (
    <Section title={text.tools}>
      {plan.changes > 0 ? <Line>{text.changes({ count: plan.changes })}</Line> : null}
      {byTool(plan.lines).map((lines) => (
        <OneTool key={keyOf(lines[0])} lines={lines} format={format} />
      ))}
      {help}
    </Section>
  );
}

type Lines = readonly [PlanLine, ...PlanLine[]];

const keyOf = ({ stage, part }: PlanLine): string => stage.id + (part?.id ?? '');

/** Stages that follow each other with the same tool, together. */
function byTool(lines: readonly PlanLine[]): Lines[] {
  const tool = ({ fit, ...line }: PlanLine): string =>
    fit.kind === 'wrench'
      ? fit.wrench.name
      : fit.kind === 'angle'
        ? angleTools(fit)
        : `missing ${keyOf({ fit, ...line })}`;
  return lines.reduce<Lines[]>((groups, line) => {
    const last = groups.at(-1);
    return last && tool(last[0]) === tool(line)
      ? [...groups.slice(0, -1), [...last, line]]
      : [...groups, [line]];
  }, []);
}

function wordsOf({ stage, part, target }: PlanLine, format: Formatter): string {
  const value = stageWords({ ...stage, target }, format);
  const name = part ? `${stage.name}, ${part.id}` : stage.name;
  return name.includes(value) ? name : `${value} · ${name}`;
}

function OneTool({ lines, format }: { lines: Lines; format: Formatter }) {
  const inks = useInks();
  const { fit } = lines[0];
  return (
    <View style={[styles.line, { borderTopColor: inks.line }]}>
      {fit.kind === 'wrench' ? <Line strong>{fit.wrench.name}</Line> : null}
      {fit.kind === 'angle' ? <Line strong>{angleTools(fit)}</Line> : null}
      {lines.map((line) => (
        <OneStage key={keyOf(line)} line={line} format={format} />
      ))}
    </View>
  );
}

function OneStage({ line, format }: { line: PlanLine; format: Formatter }) {
  const { fit } = line;
  const words = wordsOf(line, format);
  const facts = { wrench: wrenchFacts, angle: angleFacts, missing: () => [] }[fit.kind];
  const highest = fit.kind === 'wrench' ? convert(highestOf(line), 'N.m') : endTorque(fit);
  return (
    <>
      <Line>{[words, ...facts(fit as never, words, format)].join(' · ')}</Line>
      {fit.kind === 'missing' ? (
        <Notice
          title={text.missing({
            value: stageWords({ ...line.stage, target: line.target }, format),
          })}
          text={missingText(fit, format)}
          look="warn"
        />
      ) : null}
      {fit.kind === 'wrench' && fit.tooCoarse ? (
        <Notice
          title={text.tooCoarse({ wrench: fit.wrench.name })}
          text={text.tooCoarseText}
          look="warn"
        />
      ) : null}
      {fit.kind !== 'missing' && highest !== null && (fit.pushN ?? 0) > HARD_PUSH_N ? (
        <Line strong>
          {text.hard({
            mm: format.quantity({ value: barLengthMm(highest), unit: 'mm' }).text,
          })}
        </Line>
      ) : null}
    </>
  );
}

const highestOf = ({ target }: PlanLine): Quantity =>
  'value' in target ? target : { value: target.max, unit: target.unit };

const endTorque = (fit: Fit): number | null => (fit.kind === 'angle' ? fit.endTorqueNm : null);

/** What the scale says where it is not the published value itself, and how hard it is pulled. */
function wrenchFacts(
  { setting, errorPercent, pushN }: Extract<Fit, { kind: 'wrench' }>,
  words: string,
  format: Formatter,
): string[] {
  const shown = setting ? format.inHand(setting).text : null;
  return [
    shown === null ? text.choose : words.startsWith(shown) ? '' : text.set({ value: shown }),
    Math.abs(errorPercent) >= 0.05
      ? text.rounding({
          percent: `${errorPercent > 0 ? '+' : '−'}${format.number(Math.abs(errorPercent))}`,
        })
      : '',
    pushN === null ? '' : text.push({ n: format.number(pushN, 0) }),
  ].filter(Boolean);
}

function angleTools(fit: Extract<Fit, { kind: 'angle' }>): string {
  const gauges = [fit.gauge, fit.digital].filter((x): x is string => x !== null);
  return [
    fit.bar ? text.bar({ name: fit.bar.name }) : text.noBar,
    gauges.length > 0 ? text.gauge({ names: gauges.join(' / ') }) : text.noGauge,
  ].join(' · ');
}

function angleFacts(
  fit: Extract<Fit, { kind: 'angle' }>,
  _words: string,
  format: Formatter,
): string[] {
  return fit.endTorqueNm !== null && fit.pushN !== null
    ? [
        text.end({
          nm: format.quantity({ value: Math.round(fit.endTorqueNm / 5) * 5, unit: 'N.m' }).text,
          n: format.number(Math.round(fit.pushN / 10) * 10),
        }),
      ]
    : [];
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
