import { useLocalSearchParams, useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/run';
import { seatMarks } from '@stennet/core/drawing';
import type { AppError } from '@stennet/core/errors';
import { CORE_VERSION, initialState, type EventOf } from '@stennet/core/run';
import { asAppError, useJointSheet, useSignedIn } from '@/data';
import { startRun } from '@/data/runs';
import { now } from '@/platform/clock';
import { deviceId, deviceName } from '@/platform/device';
import { newId } from '@/platform/ids';
import { useDeviceOnline } from '@/platform/online';
import { BigButton, Card, JointMapView, Loading, Notice, Ribbon, ScreenFrame, useInks, useIsWide } from '@/ui';
import { builtOutside, isToldApart, TakeSheet, WhichOne, type Answers } from './parts/WhichOne';
import { text } from './text';
import { whichText } from './whichText';

/** Before the first pull: what it is done by, what to mind, and that shipped values are invented. */
export function StartScreen() {
  const { joint } = useLocalSearchParams<{ joint: string }>();
  const sheet = useJointSheet(joint);
  if (sheet.data) return <Ready data={sheet.data} />;
  return (
    <ScreenFrame title={text.startTitle} back="/" backLabel={text.back}>
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

function Ready({ data }: { data: JointSheet }) {
  const isWide = useIsWide();
  const { sheet } = data;
  const [answers, setAnswers] = useState<Answers>({});
  return (
    <ScreenFrame
      title={text.startTitle}
      subtitle={`${data.order.joint} · ${text.sub(data.order.number, data.order.vehicle)}`}
      back={`/orders/${data.order.id}`}
      backLabel={text.back}
    >
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.half]}>
          {sheet.invented ? <Notice title={text.invented} text={`${text.inventedText} ${text.prevail}`} look="warn" /> : <Notice title={text.prevail} />}
          {data.supersededBy ? <Replaced data={data} by={data.supersededBy} /> : null}
          {builtOutside(sheet, data.order.built) ? <Notice title={whichText.builtOutside} text={whichText.builtOutsideText} look="warn" /> : null}
          <WhichOne data={data} answers={answers} onAnswer={(question, answer) => setAnswers((a) => ({ ...a, [question]: answer }))} />
          <Cautions sheet={sheet} />
          <StartButton data={data} answers={answers} />
        </View>
        <View style={[styles.column, isWide && styles.half]}>
          <Procedure data={data} />
        </View>
      </View>
    </ScreenFrame>
  );
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

function Cautions({ sheet }: { sheet: JointSheet['sheet'] }) {
  const inks = useInks();
  return (
    <Card>
      <Text role="heading" aria-level={2} style={[styles.heading, { color: inks.ink }]}>
        {text.cautions}
      </Text>
      {sheet.cautions.map((c) => (
        <Text key={c} style={{ fontSize: 17, lineHeight: 24, color: inks.ink }}>
          {c}
        </Text>
      ))}
    </Card>
  );
}

function Procedure({ data }: { data: JointSheet }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { sheet } = data;
  const soft = { fontSize: 16, lineHeight: 23, color: inks.inkSoft } as const;
  return (
    <Card>
      <Text role="heading" aria-level={2} style={[styles.heading, { color: inks.ink }]}>{`${sheet.title}, rev ${sheet.revision}`}</Text>
      <Ribbon sheet={sheet} place={null} format={format} />
      <View style={{ height: 190 }}>
        <JointMapView sheet={sheet} marks={seatMarks(sheet, initialState(sheet).progress, null)} numbers={{}} label={text.mapLabel(data.order.joint, sheet.seats.length, null)} />
      </View>
      {sheet.groups.map((g) => (
        <View key={g.id}>
          <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{g.name}</Text>
          <Text style={soft}>
            {text.group(sheet.seats.filter((s) => s.group === g.id).length, g.thread.designation, format.number(g.thread.pitchMm, 2), g.propertyClass, g.socket)}
          </Text>
          <Text style={soft}>{text.reuse[g.reuse]}</Text>
          <Text style={soft}>{g.compounds.length > 0 ? g.compounds.map((c) => text.compound(c.kind, c.place)).join(', ') : text.noCompound}</Text>
        </View>
      ))}
      <Text style={soft}>{text.sourceLine(sheet.source.title, sheet.source.page, sheet.source.revision, format.date(new Date(`${sheet.source.date}T12:00:00Z`)))}</Text>
      <Text style={soft}>{text.condition(sheet.source.condition)}</Text>
    </Card>
  );
}

function StartButton({ data, answers }: { data: JointSheet; answers: Answers }) {
  const { me } = useSignedIn();
  const router = useRouter();
  const isOnline = useDeviceOnline();
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<AppError | null>(null);
  // The same events are sent again when the answer was lost on the way: the server then finds it started already by us.
  const events = useRef<Parameters<typeof startRun>[0] | null>(null);
  if (!isAllowed(me.role, 'run.write')) return <Notice title={text.readOnly} />;
  const start = (): void => {
    if (busy) return;
    setBusy(true);
    setError(null);
    events.current ??= startEvents(data, answers, me.shop.id, me.person.id);
    const { joint, order, sheet, sheetHash } = data;
    const [{ run }] = events.current;
    startRun(events.current, { id: run, joint, order, sheet, sheetHash, people: { [me.person.id]: me.person.name } }, deviceName()).then(
      () => router.replace(`/runs/${run}`),
      (e: unknown) => {
        setError(asAppError(e));
        setBusy(false);
      },
    );
  };
  return (
    <>
      {error ? <Notice title={error.message} text={error.code === 'OFFLINE' ? text.startOnline : error.fix} look="warn" alert /> : null}
      {isOnline ? null : <Notice title={text.startOnline} />}
      <BigButton text={busy ? text.starting : text.start} onPress={start} disabled={busy || !isOnline || !isToldApart(data.sheet, answers)} />
    </>
  );
}

/** The start, and with it what was seen at the vehicle. */
function startEvents(data: JointSheet, answers: Answers, shop: string, person: string): Parameters<typeof startRun>[0] {
  const started = startedEvent(data, shop, person);
  const given = data.sheet.tellApart.flatMap(({ question }) => (answers[question] === undefined ? [] : [{ question, answer: answers[question] }]));
  return [started, ...given.map((payload, i) => ({ ...started, id: newId(), seq: i + 2, type: 'variantAnswered' as const, payload }))];
}

function startedEvent(data: JointSheet, shop: string, person: string): EventOf<'started'> {
  const { joint, sheet, sheetHash } = data;
  return {
    v: 1,
    id: newId(),
    shop,
    run: newId(),
    hold: 1,
    seq: 1,
    device: deviceId(),
    person,
    deviceTime: now().toISOString(),
    type: 'started',
    payload: { joint, sheet: sheet.id, revision: sheet.revision, sheetHash, core: CORE_VERSION, cautionsRead: true },
  };
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  half: { flex: 1, minWidth: 0 },
  heading: { fontSize: 20, fontWeight: '700' },
});
