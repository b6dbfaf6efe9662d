import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { runName, type Order } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/run';
import { seatMarks } from '@stennet/core/drawing';
import { runOf } from '@stennet/core/order';
import { doneOnce, leftOutBefore, startBlockers } from '@stennet/core/prepare';
import {
  isByFastener,
  orderOf,
  PROCEDURE,
  sheetForPart,
  stageAt,
  TAKE_APART,
  type Sheet,
} from '@stennet/core/procedure';
import { initialState } from '@stennet/core/run';
import { asAppError, useEntries, useJointSheet, useOrder, useSignedIn } from '@/data';
import { Line, Loading, Notice, ScreenFrame, Section, useIsWide } from '@/ui';
import { JointMapView, Ribbon } from '@/ui/work';
import { AngleHelp } from './parts/AngleHelp';
import { Compounds } from './parts/Compounds';
import { LayOut } from './parts/LayOut';
import { isHere, newFasteners, NewParts, partOf } from './parts/NewParts';
import { LeftOut, type OutAnswers } from './parts/LeftOut';
import { StartButton } from './parts/StartButton';
import { ToolsPlan } from './parts/ToolsPlan';
import { builtOutside, isToldApart, TakeSheet, WhichOne, type Answers } from './parts/WhichOne';
import { WhichInstance } from './parts/WhichInstance';
import { useAnswersBefore } from './answersBefore';
import { text } from './text';
import { whichText } from './whichText';

/**
 * Before the first pull: the few things that ruin an engine stand alone and are answered; the rest
 * is one list.
 */
export function PrepareScreen() {
  const { joint, part, of } = useLocalSearchParams<{ joint: string; part?: string; of?: string }>();
  const sheet = useJointSheet(joint);
  const order = useOrder(sheet.data?.order.id ?? '');
  if (sheet.data)
    return (
      <Ready
        key={`${part} ${of}`}
        data={sheet.data}
        order={order.data}
        part={partIn(sheet.data.sheet, part)}
        first={of}
      />
    );
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

function Ready({
  data: whole,
  order,
  part,
  first: asked,
}: {
  data: JointSheet;
  order: Order | undefined;
  part: string;
  first: string | undefined;
}) {
  const isWide = useIsWide();
  const entries = useEntries(order ?? NO_ORDER);
  const [answers, setAnswers] = useState<Answers>({});
  const answersBefore = useAnswersBefore(whole, useSignedIn().me.person.id);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [chosen, setChosen] = useState(asked ?? null);
  const [outNow, setOutNow] = useState<OutAnswers>({});
  const isApart = part === TAKE_APART;
  const isWhole = part === PROCEDURE;
  // What only this run leads of the sheet; what it is begun with is the whole of it.
  const data = !isWhole ? { ...whole, sheet: sheetForPart(whole.sheet, part) } : whole;
  const { sheet } = data;
  const at = { part, instance: sheet.instances ? chosen : null };
  const runs = order?.jobs.flatMap((j) => j.joints).find((t) => t.id === data.joint)?.runs ?? [];
  const there = runOf(runs, part, at.instance);
  const apart = !isWhole
    ? undefined
    : runs.find(
        (r) => r.part === TAKE_APART && r.instance === at.instance && r.state !== 'finished',
      );
  const job = order?.jobs.find((j) => j.joints.some((t) => t.id === data.joint))?.id;
  const seen = entries.map((e) => e.body);
  const stops = order
    ? startBlockers({
        sheet: whole.sheet,
        job,
        joint: data.joint,
        part,
        instance: at.instance,
        joints: order.jobs.flatMap((j) => j.joints),
        entries: seen,
      })
    : [];
  const out = isWhole ? leftOutBefore(runs, at.instance) : [];
  const partsOpen =
    isWhole &&
    newFasteners(data).some(
      (need) => !left.has(need.key) && !isHere(partOf(data, need, entries), data.sheet),
    );
  const open = [
    stops.length > 0 ? text.openStops : '',
    out.some((seat) => !outNow[seat]) ? text.openOut : '',
    apart ? text.openApart : '',
    sheet.instances && !chosen ? text.openInstance : '',
    isToldApart(sheet, answers) ? '' : text.openWhich,
    partsOpen ? text.openParts : '',
  ].filter(Boolean);
  const start = there ? (
    <There name={runName({ name: data.order.joint }, at)} run={there.id} />
  ) : (
    <StartButton
      key={`${part} ${at.instance}`}
      data={whole}
      at={at}
      answers={answers}
      open={open}
      known={{ outNow, once: doneOnce(runs, part) }}
    />
  );
  return (
    <ScreenFrame
      title={isApart ? text.apartTitle : isWhole ? text.title : text.againTitle}
      subtitle={`${data.order.joint} · ${text.sub(data.order.number, data.order.vehicle)}`}
      back={`/orders/${data.order.id}`}
      backLabel={text.back}
    >
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.half]}>
          {sheet.invented ? (
            <Notice
              title={text.invented}
              text={`${text.inventedText} ${text.prevail}`}
              look="warn"
            />
          ) : (
            <Notice title={text.prevail} />
          )}
          {stops.length > 0 ? (
            <Notice title={text.stopsTitle} text={stops.join(' ')} look="warn" alert />
          ) : null}
          <LeftOut
            sheet={whole.sheet}
            seats={out}
            answers={outNow}
            onAnswer={(seat, is) => setOutNow((was) => ({ ...was, [seat]: is }))}
          />
          {apart ? <ApartOpen run={apart.id} /> : null}
          {data.supersededBy ? <Replaced data={data} by={data.supersededBy} /> : null}
          {builtOutside(sheet, data.order.built) ? (
            <Notice title={whichText.builtOutside} text={whichText.builtOutsideText} look="warn" />
          ) : null}
          {sheet.instances ? (
            <WhichInstance
              instances={sheet.instances}
              runs={runs}
              part={part}
              chosen={chosen}
              onChoose={setChosen}
            />
          ) : null}
          <WhichOne
            data={data}
            answers={answers}
            before={answersBefore}
            onAnswer={(change) => setAnswers((a) => ({ ...a, ...change }))}
          />
          {!isWhole ? null : (
            <NewParts
              data={data}
              job={job}
              entries={entries}
              left={left}
              onLeave={(key) => setLeft((was) => new Set(was).add(key))}
            />
          )}
          <Clocks data={data} />
          {isApart ? <Slackening data={data} /> : null}
          <LayOut data={data} entries={entries} isApart={!isWhole} />
          <Cautions data={data} />
          {isWide ? start : null}
        </View>
        <View style={[styles.column, isWide && styles.half]}>
          <Procedure data={data} />
          {!isWhole ? null : <Compounds data={data} entries={entries} />}
          {isApart ? null : <ToolsPlan sheet={sheet} />}
          {!isWhole ? null : <AngleHelp sheet={sheet} />}
          {isWide ? null : start}
        </View>
      </View>
    </ScreenFrame>
  );
}

/**
 * What of a sheet is led: taking apart, what falls due after where it is tightened, else the
 * procedure itself.
 */
function partIn(sheet: Sheet, part: string | undefined): string {
  if (part === TAKE_APART) return TAKE_APART;
  return sheet.after.some((a) => a.id === part && a.stages) ? (part ?? PROCEDURE) : PROCEDURE;
}

/** Begun already: nothing is begun twice. */
function There({ name, run }: { name: string; run: string }) {
  const router = useRouter();
  return (
    <Notice
      title={text.already(name)}
      action={{ text: text.alreadyGo, onPress: () => router.navigate(`/runs/${run}`) }}
    />
  );
}

function ApartOpen({ run }: { run: string }) {
  const router = useRouter();
  return (
    <Notice
      title={text.apartOpen}
      text={text.apartOpenText}
      action={{ text: text.apartGo, onPress: () => router.navigate(`/runs/${run}`) }}
      look="warn"
      alert
    />
  );
}

/**
 * In which order and how far each is slackened, in words: warm or cold, ends first, a bit at a
 * time.
 */
function Slackening({ data: { sheet } }: { data: JointSheet }) {
  return (
    <Section title={text.slackening}>
      {sheet.stages.map((s, i) => (
        <Line
          key={s.id}
          strong={i === 0}
        >{`${i + 1}. ${[s.name, orderWords(sheet, i), s.note ?? ''].filter(Boolean).join('. ')}`}</Line>
      ))}
    </Section>
  );
}

const orderWords = (sheet: Sheet, index: number): string =>
  isByFastener(stageAt(sheet, index)) ? orderOf(sheet, index).join(' · ') : '';

/** A newer revision stands: nothing is begun by the old one without somebody saying so. */
function Replaced({ data, by }: { data: JointSheet; by: string }) {
  return (
    <>
      <Notice
        title={whichText.replaced(data.sheet.revision, by)}
        text={whichText.replacedText}
        look="warn"
      />
      <TakeSheet
        joint={data.joint}
        sheet={data.sheet.id}
        revision={by}
        label={whichText.takeNewer(by)}
      />
    </>
  );
}

/** Open times and waiting times are known before the first bead, not after it. */
function Clocks({ data: { sheet } }: { data: JointSheet }) {
  if (sheet.clocks.length === 0) return null;
  const words = sheet.clocks.map((c) =>
    c.kind === 'within' ? text.within(c.minutes, c.text) : text.notBefore(c.minutes, c.text),
  );
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
        <JointMapView
          sheet={sheet}
          marks={seatMarks(sheet, initialState(sheet).progress, null)}
          numbers={{}}
          label={text.mapLabel(data.order.joint, sheet.seats.length)}
        />
      </View>
      <Line>
        {text.sourceLine(
          source.title,
          source.page,
          source.revision,
          format.date(new Date(`${source.date}T12:00:00Z`)),
        )}
      </Line>
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
