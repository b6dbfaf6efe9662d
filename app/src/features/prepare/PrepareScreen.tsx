import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { runName, type Order } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/work';
import { runOf } from '@stennet/core/order';
import { chosenBefore, doneOnce, leftOutBefore, startBlockers } from '@stennet/core/prepare';
import { PROCEDURE, sheetForPart, TAKE_APART, type Sheet } from '@stennet/core/procedure';
import { problemOf, useEntries, useJointSheet, useOrder, useSignedIn, useTools } from '@/data';
import { Notice, ScreenFrame, useIsWide, Waiting } from '@/ui';
import { AngleHelp } from './parts/AngleHelp';
import { Compounds } from './parts/Compounds';
import { LayOut } from './parts/LayOut';
import { isHere, newFasteners, NewParts, partOf } from './parts/NewParts';
import { LeftOut, type OutAnswers } from './parts/LeftOut';
import { StartButton } from './parts/StartButton';
import { ToolsPlan } from './parts/ToolsPlan';
import { builtOutside, isToldApart, WhichOne, type Answers } from './parts/WhichOne';
import { WhichInstance } from './parts/WhichInstance';
import { originBefore, useAnswersBefore } from './answersBefore';
import { text } from './text';
import {
  There,
  styles,
  ApartOpen,
  Replaced,
  Clocks,
  Slackening,
  Cautions,
  Procedure,
} from './parts/Sections';
import { Prevails } from '@/ui/work';

/**
 * Before the first pull: the few things that ruin an engine stand alone and are answered; the rest
 * is one list.
 */
export function PrepareScreen() {
  const { joint, part, of } = useLocalSearchParams<{ joint: string; part?: string; of?: string }>();
  const sheet = useJointSheet(joint);
  const order = useOrder(sheet.data?.order.id ?? '');
  const tools = useTools();
  // What is here and what stands in the way is written on the order: without it the screen would
  // say for a moment that the parts are missing. The plan of tools stands above the button that
  // starts: coming later, it would push it away from under the thumb.
  if (sheet.data && (order.data || order.isError) && !tools.isLoading)
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
      <Waiting problem={problemOf(sheet)} text={text} onRetry={() => void sheet.refetch()} />
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
  const [given, setAnswers] = useState<Answers>({});
  const answersBefore = useAnswersBefore(whole, useSignedIn().me.person.id);
  const answers = { ...originBefore(whole.sheet, answersBefore), ...given };
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [chosen, setChosen] = useState(asked ?? null);
  const [outNow, setOutNow] = useState<OutAnswers>({});
  const isApart = part === TAKE_APART;
  const isWhole = part === PROCEDURE;
  // What only this run leads of the sheet; what it is begun with is the whole of it.
  const data = !isWhole ? { ...whole, sheet: sheetForPart(whole.sheet, part) } : whole;
  const { sheet } = data;
  const at = { part, instance: sheet.instances ? chosen : null };
  const { runs, there, apart, job, stops, out, open } = standing(whole, data, order, entries, at, {
    answers,
    left,
    outNow,
  });
  const start = there ? (
    <There name={runName({ name: data.order.joint }, at)} run={there.id} />
  ) : (
    <StartButton
      key={`${part} ${at.instance}`}
      data={whole}
      at={at}
      answers={answers}
      open={open}
      known={{
        outNow,
        once: doneOnce(runs, part),
        values: chosenBefore(whole.sheet, runs, at),
      }}
    />
  );
  return (
    <ScreenFrame
      title={isApart ? text.apartTitle : isWhole ? text.title : text.againTitle}
      subtitle={`${data.order.joint} · ${text.sub({ ro: data.order.number, vehicle: data.order.vehicle })}`}
      back={`/orders/${data.order.id}`}
      backLabel={text.back}
    >
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.half]}>
          <Prevails sheet={sheet} />
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
            <Notice
              title={text.which.builtOutside}
              text={text.which.builtOutsideText}
              look="warn"
            />
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
          {isApart ? null : (
            <ToolsPlan sheet={sheet} help={isWhole ? <AngleHelp sheet={sheet} /> : null} />
          )}
          {isWide ? null : start}
        </View>
      </View>
    </ScreenFrame>
  );
}

/** What of this joint has been done, and what stands in the way of starting now. */
function standing(
  whole: JointSheet,
  data: JointSheet,
  order: Order | undefined,
  entries: ReturnType<typeof useEntries>,
  at: { part: string; instance: string | null },
  said: { answers: Answers; left: ReadonlySet<string>; outNow: OutAnswers },
) {
  const isWhole = at.part === PROCEDURE;
  const { sheet } = data;
  const runs = order?.jobs.flatMap((j) => j.joints).find((t) => t.id === data.joint)?.runs ?? [];
  const there = runOf(runs, at.part, at.instance);
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
        part: at.part,
        instance: at.instance,
        joints: order.jobs.flatMap((j) => j.joints),
        entries: seen,
      })
    : [];
  const out = isWhole ? leftOutBefore(runs, at.instance) : [];
  const partsOpen =
    isWhole &&
    newFasteners(data).some(
      (need) => !said.left.has(need.key) && !isHere(partOf(data, need, entries), data.sheet),
    );
  const open = [
    stops.length > 0 ? text.openStops : '',
    out.some((seat) => !said.outNow[seat]) ? text.openOut : '',
    apart ? text.openApart : '',
    sheet.instances && !at.instance ? text.openInstance : '',
    isToldApart(sheet, said.answers) ? '' : text.openWhich,
    partsOpen ? text.openParts : '',
  ].filter(Boolean);
  return { runs, there, apart, job, stops, out, open };
}

/**
 * What of a sheet is led: taking apart, what is due after where it is tightened, else the
 * procedure itself.
 */
function partIn(sheet: Sheet, part: string | undefined): string {
  if (part === TAKE_APART) return TAKE_APART;
  return sheet.after.some((a) => a.id === part && a.stages) ? (part ?? PROCEDURE) : PROCEDURE;
}
