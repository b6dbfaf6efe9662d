import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, type Joint, type Order } from '@stennet/core/contract';
import { jointPlaces, putIns, type JointPlace } from '@stennet/core/order';
import { ofKind, useSignedIn, type ShownEntry } from '@/data';
import { deviceId } from '@/platform/device';
import { BigButton, Line, Notice, Section, TextField, useInks } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { seenOf } from './StateBar';

type Job = Order['jobs'][number];

/** One job over its chained joints: done, in work, next; what was put in for it and must come out. */
export function JobCard({ order, job, entries, mayWrite }: { order: Order; job: Job; entries: readonly ShownEntry[]; mayWrite: boolean }) {
  const places = jointPlaces(job.joints);
  const own = entries.filter((e) => e.body.kind === 'putIn' && e.body.job === job.id);
  const byRuns = putIns(seenOf({ ...order, jobs: [job] }, []));
  return (
    <Section title={job.title}>
      {job.joints.map((joint, i) => (
        <JointRow key={joint.id} joint={joint} place={places[i] ?? 'later'} before={job.joints[i - 1]?.name ?? ''} />
      ))}
      {byRuns.length > 0 ? <Notice title={text.stillIn(byRuns.join(', '))} look="warn" /> : null}
      <PutIns order={order.id} job={job.id} entries={own} mayWrite={mayWrite} />
    </Section>
  );
}

function JointRow({ joint, place, before }: { joint: Joint; place: JointPlace; before: string }) {
  const inks = useInks();
  const router = useRouter();
  const { me, format } = useSignedIn();
  const { run } = joint;
  const mayWrite = isAllowed(me.role, 'run.write');
  const standing = !run
    ? place === 'later'
      ? text.after(before)
      : text.notStarted
    : run.state === 'finished'
      ? text.finished(format.dateTime(new Date(run.lastAt)), run.holderPerson)
      : run.standing.stageName
        ? text.running(run.standing.stageName, run.standing.done, run.standing.of)
        : text.ready;
  return (
    <View style={[styles.joint, { borderTopColor: inks.line }]}>
      <View style={styles.line}>
        <Text style={{ fontSize: 18, fontWeight: '700', color: inks.ink, flexShrink: 1 }}>{joint.name}</Text>
        <Text style={{ fontSize: 15, color: place === 'next' || place === 'inWork' ? inks.brand : inks.inkSoft, fontWeight: '700' }}>{text.place[place]}</Text>
      </View>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>{text.sheet(joint.sheetTitle, joint.revision)}</Text>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>{standing}</Text>
      {!run && mayWrite ? (
        <BigButton text={text.tighten(joint.name)} look={place === 'later' ? 'quiet' : 'main'} size="desk" onPress={() => router.navigate(`/joints/${joint.id}`)} />
      ) : null}
      {run && run.state !== 'finished' ? (
        <BigButton text={run.holderDevice === deviceId() && mayWrite ? text.carryOn(joint.name) : text.watch} size="desk" onPress={() => router.navigate(`/runs/${run.id}`)} />
      ) : null}
      {run ? <BigButton text={text.record} look="plain" size="desk" onPress={() => router.navigate(`/runs/${run.id}/record`)} /> : null}
    </View>
  );
}

/** A rag, a plug, a holding bolt: by somebody's own idea, and out again before the job closes. */
function PutIns({ order, job, entries, mayWrite }: { order: string; job: string; entries: readonly ShownEntry[]; mayWrite: boolean }) {
  const [what, setWhat] = useState<string | null>(null);
  const { problem, save } = useSave();
  const open = ofKind(entries, 'putIn').filter((e) => !e.body.out);
  return (
    <>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {open.map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{text.stillIn(e.body.what)}</Line>
          {mayWrite ? (
            <BigButton text={text.isOut(e.body.what)} look="quiet" size="desk" onPress={() => save({ order, entry: e.id, version: e.version, body: { ...e.body, out: true } })} />
          ) : null}
        </EntryLine>
      ))}
      {!mayWrite ? null : what === null ? (
        <BigButton text={text.addPutIn} look="quiet" size="desk" onPress={() => setWhat('')} />
      ) : (
        <>
          <TextField label={text.putInWhat} hint={text.putInHint} value={what} onChange={(t) => setWhat(t.slice(0, 80))} />
          <BigButton
            text={text.save}
            look="plain"
            size="desk"
            disabled={!what.trim()}
            onPress={() => save({ order, body: { kind: 'putIn', job, what: what.trim(), out: false } }, () => setWhat(null))}
          />
          <BigButton text={text.cancel} look="quiet" size="desk" onPress={() => setWhat(null)} />
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  joint: { borderTopWidth: 1, paddingTop: 12, gap: 8 },
  line: { flexDirection: 'row', justifyContent: 'space-between', gap: 12 },
});
