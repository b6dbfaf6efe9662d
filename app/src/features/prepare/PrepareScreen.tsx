import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Order } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/run';
import { seatMarks } from '@stennet/core/drawing';
import { initialState } from '@stennet/core/run';
import { asAppError, useEntries, useJointSheet, useOrder, useSignedIn } from '@/data';
import { JointMapView, Line, Loading, Notice, Ribbon, ScreenFrame, Section, useIsWide } from '@/ui';
import { AngleHelp } from './parts/AngleHelp';
import { Compounds } from './parts/Compounds';
import { LayOut } from './parts/LayOut';
import { isHere, newFasteners, NewParts, partOf } from './parts/NewParts';
import { StartButton } from './parts/StartButton';
import { ToolsPlan } from './parts/ToolsPlan';
import { builtOutside, isToldApart, TakeSheet, WhichOne, type Answers } from './parts/WhichOne';
import { text } from './text';
import { whichText } from './whichText';

/** Before the first pull: the few things that ruin an engine stand alone and are answered; the rest is one list. */
export function PrepareScreen() {
  const { joint } = useLocalSearchParams<{ joint: string }>();
  const sheet = useJointSheet(joint);
  const order = useOrder(sheet.data?.order.id ?? '');
  if (sheet.data) return <Ready data={sheet.data} order={order.data} />;
  return (
    <ScreenFrame title={text.title} back="/" backLabel={text.back}>
      {sheet.isError ? (
        <Notice
          title={text.failed}
          text={`${asAppError(sheet.error).message} ${asAppError(sheet.error).fix}`}
          action={{ text: text.retry, onPress: () => void sheet.refetch() }}
          alert
        />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}

const NO_ORDER = { id: '', entries: [] };

function Ready({ data, order }: { data: JointSheet; order: Order | undefined }) {
  const isWide = useIsWide();
  const { sheet } = data;
  const entries = useEntries(order ?? NO_ORDER);
  const [answers, setAnswers] = useState<Answers>({});
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const first = unfinishedBefore(data, order);
  const partsOpen = newFasteners(data).some((need) => !left.has(need.key) && !isHere(partOf(data, need, entries)));
  const open = [first ? text.openFirst : '', isToldApart(sheet, answers) ? '' : text.openWhich, partsOpen ? text.openParts : ''].filter(Boolean);
  const job = order?.jobs.find((j) => j.joints.some((t) => t.id === data.joint))?.id;
  return (
    <ScreenFrame title={text.title} subtitle={`${data.order.joint} · ${text.sub(data.order.number, data.order.vehicle)}`} back={`/orders/${data.order.id}`} backLabel={text.back}>
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.half]}>
          {sheet.invented ? <Notice title={text.invented} text={`${text.inventedText} ${text.prevail}`} look="warn" /> : <Notice title={text.prevail} />}
          {first ? <Notice title={text.firstTitle(first)} text={text.firstText} look="warn" alert /> : null}
          {data.supersededBy ? <Replaced data={data} by={data.supersededBy} /> : null}
          {builtOutside(sheet, data.order.built) ? <Notice title={whichText.builtOutside} text={whichText.builtOutsideText} look="warn" /> : null}
          <WhichOne data={data} answers={answers} onAnswer={(question, answer) => setAnswers((a) => ({ ...a, [question]: answer }))} />
          <NewParts data={data} job={job} entries={entries} left={left} onLeave={(key) => setLeft((was) => new Set(was).add(key))} />
          <Clocks data={data} />
          <LayOut data={data} entries={entries} />
          <Cautions data={data} />
          {isWide ? <StartButton data={data} answers={answers} open={open} /> : null}
        </View>
        <View style={[styles.column, isWide && styles.half]}>
          <Procedure data={data} />
          <Compounds sheet={sheet} />
          <ToolsPlan sheet={sheet} />
          <AngleHelp sheet={sheet} />
          {isWide ? null : <StartButton data={data} answers={answers} open={open} />}
        </View>
      </View>
    </ScreenFrame>
  );
}

/** The name of a joint of this order that the sheet wants tight before, and that is not. */
function unfinishedBefore({ sheet }: JointSheet, order: Order | undefined): string | null {
  const joints = order?.jobs.flatMap((j) => j.joints) ?? [];
  return joints.find((t) => sheet.requires.includes(t.sheetId) && t.run?.state !== 'finished')?.name ?? null;
}

/** A newer revision stands: nothing is begun by the old one without somebody saying so. */
function Replaced({ data, by }: { data: JointSheet; by: string }) {
  return (
    <>
      <Notice title={whichText.replaced(data.sheet.revision, by)} text={whichText.replacedText} look="warn" />
      <TakeSheet joint={data.joint} sheet={data.sheet.id} revision={by} label={whichText.takeNewer(by)} />
    </>
  );
}

/** Open times and waiting times are known before the first bead, not after it. */
function Clocks({ data: { sheet } }: { data: JointSheet }) {
  if (sheet.clocks.length === 0) return null;
  const words = sheet.clocks.map((c) => (c.kind === 'within' ? text.within(c.minutes, c.text) : text.notBefore(c.minutes, c.text)));
  return <Notice title={text.clocks} text={[...words, text.clocksText].join(' ')} look="warn" />;
}

function Cautions({ data: { sheet } }: { data: JointSheet }) {
  if (sheet.cautions.length === 0) return null;
  return (
    <Section title={text.cautions}>
      {sheet.cautions.map((c) => (
        <Line key={c} strong>
          {c}
        </Line>
      ))}
    </Section>
  );
}

function Procedure({ data }: { data: JointSheet }) {
  const { format } = useSignedIn();
  const { sheet } = data;
  const { source } = sheet;
  return (
    <Section title={`${sheet.title}, rev ${sheet.revision}`}>
      <Ribbon sheet={sheet} place={null} format={format} />
      <View style={{ height: 190 }}>
        <JointMapView sheet={sheet} marks={seatMarks(sheet, initialState(sheet).progress, null)} numbers={{}} label={text.mapLabel(data.order.joint, sheet.seats.length)} />
      </View>
      <Line>{text.sourceLine(source.title, source.page, source.revision, format.date(new Date(`${source.date}T12:00:00Z`)))}</Line>
      <Line>{text.condition(source.condition)}</Line>
    </Section>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  half: { flex: 1, minWidth: 0 },
});
