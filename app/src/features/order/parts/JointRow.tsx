import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, runName, type Joint, type RunBrief } from '@stennet/core/contract';
import { happenedText } from '@stennet/core/record';
import { jointState, runOf, type JointPlace } from '@stennet/core/order';
import { PROCEDURE, TAKE_APART } from '@stennet/core/procedure';
import { nextInSitting } from '@stennet/core/run';
import { useSignedIn, useThumb } from '@/data';
import { deviceId } from '@/platform/device';
import { BigButton, Line, Thumb, useInks } from '@/ui';
import { text } from '../text';

/** One joint of a job: how far it is, its runs, and what comes next on it. */
export function JointRow({
  joint,
  place,
  before,
  side,
  scope,
}: {
  joint: Joint;
  place: JointPlace;
  before: string;
  /** What is shown of it: how it comes apart, or how it is tightened. */
  side: 'apart' | 'tight';
  scope?: ReactNode;
}) {
  const inks = useInks();
  const { me } = useSignedIn();
  const mayWrite = isAllowed(me.role, 'run.write');
  const thumb = useThumb(joint);
  const runs = joint.runs.filter((r) => (r.part === TAKE_APART) === (side === 'apart'));
  return (
    <View style={[styles.joint, { borderTopColor: inks.line }]}>
      <View style={styles.line}>
        <Thumb thumb={thumb} width={64} height={48} label={joint.name} />
        <Text style={{ fontSize: 18, fontWeight: '700', color: inks.ink, flex: 1 }}>
          {joint.name}
        </Text>
        <Text
          style={{
            fontSize: 15,
            color: place === 'next' || place === 'inWork' ? inks.brand : inks.inkSoft,
            fontWeight: '700',
          }}
        >
          {text.places[place]}
        </Text>
      </View>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>
        {text.sheet({ title: joint.sheetTitle, revision: joint.revision })}
      </Text>
      {runs.length === 0 ? (
        <Text style={{ fontSize: 16, color: inks.inkSoft }}>
          {place === 'later' ? text.after({ joint: before.toLowerCase() }) : text.notStarted}
        </Text>
      ) : null}
      {runs.map((run) => (
        <RunLine key={run.id} joint={joint} run={run} mayWrite={mayWrite} />
      ))}
      {mayWrite ? <Begin joint={joint} place={place} side={side} /> : null}
      {scope}
    </View>
  );
}

function RunLine({ joint, run, mayWrite }: { joint: Joint; run: RunBrief; mayWrite: boolean }) {
  const inks = useInks();
  const router = useRouter();
  const { format, me } = useSignedIn();
  const name = runName(joint, run);
  const isOpen = run.state !== 'finished';
  const isApart = run.part === TAKE_APART;
  const standing = !isOpen
    ? (isApart ? text.apartAt : text.finished)({
        at: format.dateTime(new Date(run.lastAt)),
        person: run.holderPerson,
      })
    : run.standing.stageName
      ? text.running({
          stage: run.standing.stageName,
          done: run.standing.done,
          of: run.standing.of,
        })
      : text.ready;
  const isMine = run.holderDevice === deviceId() && mayWrite;
  return (
    <View style={styles.run}>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>
        {joint.runs.length > 1 || name !== joint.name ? `${name}: ${standing}` : standing}
      </Text>
      {run.standing.asksLead > 0 ? (
        <Line strong>{text.waitsLead({ count: run.standing.asksLead })}</Line>
      ) : null}
      {run.standing.asksLead > 0 && me.role === 'lead' ? (
        <BigButton
          text={text.decide({ name })}
          size="desk"
          onPress={() => router.navigate(`/runs/${run.id}`)}
        />
      ) : null}
      {(run.standing.happened ?? []).map(happenedText).map((h) => (
        <Line key={h}>{`▲ ${h}`}</Line>
      ))}
      {run.standing.bags.length > 0 ? (
        <Line>
          {run.standing.bags
            .map((b) => text.bag({ bag: b.bag, fasteners: b.fasteners.join(', ') }))
            .join(' ')}
        </Line>
      ) : null}
      {isOpen ? (
        <BigButton
          text={isMine ? text.carryOn({ joint: name.toLowerCase() }) : text.watch}
          size="desk"
          onPress={() => router.navigate(`/runs/${run.id}`)}
        />
      ) : null}
      <BigButton
        text={isApart ? text.apartRecord : text.record}
        label={
          joint.runs.length > 1 ? `${isApart ? text.apartRecord : text.record}: ${name}` : undefined
        }
        look="quiet"
        size="desk"
        onPress={() => router.navigate(`/runs/${run.id}/record`)}
      />
    </View>
  );
}

/**
 * What may be begun: taking apart first, then tightening; with several of them the one that is next
 * in the sitting.
 */
function Begin({
  joint,
  place,
  side,
}: {
  joint: Joint;
  place: JointPlace;
  side: 'apart' | 'tight';
}) {
  const router = useRouter();
  const { instances, runs } = joint;
  const state = jointState(joint);
  const go = (part: string, instance: string | null) => (): void =>
    router.navigate({
      pathname: '/joints/[joint]',
      params: {
        joint: joint.id,
        ...(part === PROCEDURE ? {} : { part }),
        ...(instance === null ? {} : { of: instance }),
      },
    });
  const toTakeApart =
    joint.takesApart && state !== 'tight'
      ? (instances?.labels ?? [null]).find(
          (i) => !runOf(runs, TAKE_APART, i) && !runOf(runs, PROCEDURE, i),
        )
      : undefined;
  const toTighten = side === 'tight' ? nextToTighten(joint) : null;
  const look = place === 'later' ? 'quiet' : 'main';
  return (
    <>
      {toTakeApart === undefined || side === 'tight' ? null : (
        <BigButton
          text={text.takeApart({
            joint: runName(joint, { part: PROCEDURE, instance: toTakeApart }).toLowerCase(),
          })}
          look={look}
          size="desk"
          onPress={go(TAKE_APART, toTakeApart)}
        />
      )}
      {toTighten?.crankDeg === undefined ? null : (
        <Line strong>{text.crank({ deg: `${toTighten.crankDeg}°` })}</Line>
      )}
      {toTighten ? (
        <BigButton
          text={text.tighten({
            joint: runName(joint, { part: PROCEDURE, instance: toTighten.instance }).toLowerCase(),
          })}
          look={toTakeApart === undefined ? look : 'quiet'}
          size="desk"
          onPress={go(PROCEDURE, toTighten.instance)}
        />
      ) : null}
    </>
  );
}

/**
 * The one that is next: none where it is in work already. A paused one is passed over for its
 * companion.
 */
function nextToTighten({
  instances,
  runs,
}: Joint): { instance: string | null; crankDeg?: number } | null {
  if (!instances) return runOf(runs, PROCEDURE, null) ? null : { instance: null };
  const own = runs.filter((r) => r.part === PROCEDURE);
  const states = Object.fromEntries(
    own.flatMap((r) => (r.instance ? [[r.instance, { status: r.state }]] : [])),
  );
  const last = [...own].sort((a, b) => a.lastAt.localeCompare(b.lastAt)).at(-1)?.instance;
  const stands = last ? (instances.crankDeg?.[last] ?? null) : null;
  const next = nextInSitting({ instances }, states, null);
  if (next.kind !== 'run' || states[next.instance]) return null;
  const deg = instances.crankDeg?.[next.instance];
  return {
    instance: next.instance,
    ...(deg !== undefined && stands !== null && deg !== stands ? { crankDeg: deg } : {}),
  };
}

const styles = StyleSheet.create({
  joint: { borderTopWidth: 1, paddingTop: 12, gap: 8 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 12 },
  run: { gap: 8 },
});
