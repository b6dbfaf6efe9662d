import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { runName, type Order } from '@stennet/core/contract';
import { isAwaited, jointPlaces, type StationName } from '@stennet/core/order';
import { TAKE_APART } from '@stennet/core/procedure';
import { ofKind, useSignedIn, type ShownEntry } from '@/data';
import { BigButton, Line } from '@/ui';
import { text } from '../text';
import { Afterwards } from './Afterwards';
import { Diagnosis } from './Diagnosis';
import { Fills } from './Fills';
import { JobCard } from './JobCard';
import { JointRow } from './JointRow';
import { MeasuredList } from './MeasuredList';
import { Outside } from './Outside';
import { StateBar } from './StateBar';

interface Props {
  order: Order;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

/** What a station holds once it is opened. */
export function Inside({ name, ...props }: Props & { name: StationName }) {
  const { order, entries, mayWrite } = props;
  const common = { order: order.id, entries, mayWrite };
  switch (name) {
    case 'diagnosis':
      return <Diagnosis {...common} />;
    case 'teardown':
      return <Teardown order={order} />;
    case 'measured':
      return <MeasuredList order={order} entries={entries} />;
    case 'parts':
      return <Parts {...props} />;
    case 'tighten':
      return order.jobs.map((job) => <JobCard key={job.id} job={job} {...props} />);
    case 'sign':
      return <Sign order={order} />;
    case 'handOver':
      return (
        <>
          <StateBar {...props} />
          <Fills {...common} />
          <Afterwards order={order} />
        </>
      );
  }
}

function Teardown({ order }: { order: Order }) {
  return order.jobs.flatMap((job) => {
    const places = jointPlaces(job.joints);
    return job.joints.flatMap((joint, i) =>
      joint.takesApart || joint.runs.some((r) => r.part === TAKE_APART)
        ? [
            <JointRow
              key={joint.id}
              joint={joint}
              place={places[i] ?? 'later'}
              before={job.joints[i - 1]?.name ?? ''}
              side="apart"
            />,
          ]
        : [],
    );
  });
}

function Parts({ order, entries, mayWrite }: Props) {
  const router = useRouter();
  const open = ofKind(entries, 'part').filter((e) => isAwaited(e.body.state)).length;
  return (
    <>
      <BigButton
        text={text.partsLink({ count: open })}
        look="plain"
        size="desk"
        onPress={() => router.navigate(`/orders/${order.id}/parts`)}
      />
      <Outside order={order.id} entries={entries} mayWrite={mayWrite} />
    </>
  );
}

/** Each finished run, and its record to be signed. */
function Sign({ order }: { order: Order }) {
  const router = useRouter();
  const runs = order.jobs.flatMap((j) =>
    j.joints.flatMap((joint) =>
      joint.runs.flatMap((run) => (run.state === 'finished' ? [{ joint, run }] : [])),
    ),
  );
  if (runs.length === 0) return <Line>{text.nothingToSign}</Line>;
  return (
    <View style={{ gap: 8 }}>
      {runs.map(({ joint, run }) => {
        const name = runName(joint, run);
        return run.standing.asksLead > 0 ? (
          <AskedLead key={run.id} run={run.id} name={name} count={run.standing.asksLead} />
        ) : run.signing === 'signed' ? (
          <Line key={run.id}>{text.signed({ name })}</Line>
        ) : (
          <BigButton
            key={run.id}
            text={text.signIt({ name })}
            look="plain"
            size="desk"
            onPress={() => router.navigate(`/runs/${run.id}/record`)}
          />
        );
      })}
    </View>
  );
}

/** Before a lead has decided, there is nothing to sign. */
function AskedLead({ run, name, count }: { run: string; name: string; count: number }) {
  const router = useRouter();
  const { me } = useSignedIn();
  return me.role === 'lead' ? (
    <BigButton
      text={text.decide({ name })}
      size="desk"
      onPress={() => router.navigate(`/runs/${run}`)}
    />
  ) : (
    <Line strong>{`${name}: ${text.waitsLead({ count })}`}</Line>
  );
}
