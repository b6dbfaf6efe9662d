import { text as aroundText } from '@/ui/around/text';
import { useRouter } from 'expo-router';
import type { Order } from '@stennet/core/contract';
import { jointPlaces, putIns } from '@stennet/core/order';
import type { ShownEntry } from '@/data';
import { Heading, Notice } from '@/ui';
import { View } from 'react-native';
import { AroundJob } from '@/ui/work';
import { useSave } from '../hooks/useSave';
import { EntryLine } from './EntryLine';
import { JointRow } from './JointRow';
import { Scope } from './Scope';
import { seenOf } from './StateBar';

type Job = Order['jobs'][number];

/**
 * One job over its chained joints: done, in work, next; what happened on the way and is not put
 * right yet.
 */
export function JobCard({
  order,
  job,
  entries,
  mayWrite,
}: {
  order: Order;
  job: Job;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}) {
  const router = useRouter();
  const { problem, save } = useSave();
  const places = jointPlaces(job.joints);
  const byRuns = putIns(seenOf({ ...order, jobs: [job] }, []));
  const { maker, engine } = order.vehicle;
  return (
    <View style={{ gap: 10 }}>
      {order.jobs.length > 1 ? <Heading>{job.title}</Heading> : null}
      {job.joints.map((joint, i) => (
        <JointRow
          key={joint.id}
          joint={joint}
          place={places[i] ?? 'later'}
          before={job.joints[i - 1]?.name ?? ''}
          side="tight"
          scope={
            mayWrite && joint.instances ? (
              <Scope order={order.id} joint={joint} entries={entries} />
            ) : null
          }
        />
      ))}
      {byRuns.length > 0 ? (
        <Notice title={aroundText.stillIn({ what: byRuns.join(', ') })} look="warn" />
      ) : null}
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      <AroundJob
        job={job.id}
        entries={entries}
        mayWrite={mayWrite}
        hasNew={false}
        onSave={(body, of) =>
          save({ order: order.id, body, ...(of ? { entry: of.id, version: of.version } : {}) })
        }
        onFind={() => router.navigate({ pathname: '/find', params: { maker, engine } })}
        wrap={(e, line) => (
          <EntryLine order={order.id} entry={e as ShownEntry}>
            {line}
          </EntryLine>
        )}
      />
    </View>
  );
}
