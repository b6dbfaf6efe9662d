import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, type Order } from '@stennet/core/contract';
import { isAwaited } from '@stennet/core/order';
import { ofKind, useEntries, useSignedIn, type ShownEntry } from '@/data';
import { BigButton, Card, Section, useInks, useIsWide } from '@/ui';
import { text } from '../text';
import { AddJob } from './AddJob';
import { Afterwards } from './Afterwards';
import { Diagnosis } from './Diagnosis';
import { Fills } from './Fills';
import { JobCard } from './JobCard';
import { Notes } from './Notes';
import { Outside } from './Outside';
import { People } from './People';
import { Photos } from './Photos';
import { StateBar } from './StateBar';

/** All of one repair order; beside the list on a wide screen, by itself elsewhere. */
export function OrderPane({ order, isBeside = false }: { order: Order; isBeside?: boolean }) {
  const isWide = useIsWide() && !isBeside;
  const { me } = useSignedIn();
  const entries = useEntries(order);
  const mayWrite = isAllowed(me.role, 'order.write') && order.state !== 'handedOver';
  const common = { order: order.id, entries, mayWrite };
  const jobs = order.jobs.map((job) => (
    <JobCard key={job.id} order={order} job={job} entries={entries} mayWrite={mayWrite} />
  ));
  const addJob = mayWrite ? <AddJob order={order} /> : null;
  const state = <StateBar order={order} entries={entries} mayWrite={mayWrite} />;
  const parts = <PartsLink order={order} entries={entries} />;
  const after = <Afterwards order={order} />;
  const facts = <Facts order={order} mayWrite={mayWrite} />;
  if (!isWide) {
    return (
      <View style={styles.column}>
        <Concern order={order} />
        {jobs}
        {parts}
        {state}
        {after}
        <Fills {...common} />
        {addJob}
        <Diagnosis {...common} />
        <Notes {...common} />
        <Photos {...common} />
        <Outside {...common} />
        {facts}
        <People {...common} />
      </View>
    );
  }
  return (
    <View style={styles.wide}>
      <View style={[styles.column, styles.left]}>
        <Concern order={order} />
        {jobs}
        {addJob}
        <Diagnosis {...common} />
        <Photos {...common} />
      </View>
      <View style={[styles.column, styles.right]}>
        {state}
        {after}
        <Fills {...common} />
        {parts}
        {facts}
        <Outside {...common} />
        <Notes {...common} />
        <People {...common} />
      </View>
    </View>
  );
}

function Concern({ order }: { order: Order }) {
  const inks = useInks();
  return (
    <Section title={text.concern}>
      <Text style={{ fontSize: 17, lineHeight: 25, color: inks.ink }}>{order.concern}</Text>
    </Section>
  );
}

function PartsLink({ order, entries }: { order: Order; entries: readonly ShownEntry[] }) {
  const router = useRouter();
  const open = ofKind(entries, 'part').filter((e) => isAwaited(e.body.state)).length;
  const measured = ofKind(entries, 'measurement').length;
  return (
    <View style={styles.links}>
      <BigButton
        text={text.partsLink({ count: open })}
        look="plain"
        size="desk"
        grow
        onPress={() => router.navigate(`/orders/${order.id}/parts`)}
      />
      <BigButton
        text={text.measure({ count: measured })}
        look="plain"
        size="desk"
        grow
        onPress={() => router.navigate(`/orders/${order.id}/measure`)}
      />
    </View>
  );
}

function Facts({ order, mayWrite }: { order: Order; mayWrite: boolean }) {
  const inks = useInks();
  const router = useRouter();
  const { format } = useSignedIn();
  const { vehicle } = order;
  const facts: [string, string][] = [
    [text.vehicle, `${vehicle.maker} ${vehicle.model}`],
    [text.engine, vehicle.engine],
    [text.odometer, format.distance(order.odometer.value, order.odometer.unit)],
    [text.plate, vehicle.plate],
    [text.vin, vehicle.vin],
    [text.built, format.date(new Date(`${vehicle.built}T12:00:00Z`))],
    [text.customer, order.customer],
    ...(order.promisedAt
      ? [[text.promised, format.dateTime(new Date(order.promisedAt))] as [string, string]]
      : []),
  ];
  return (
    <Card>
      {facts.map(([name, value]) => (
        <View key={name} style={styles.fact}>
          <Text style={{ color: inks.inkSoft, fontSize: 16, width: 96 }}>{name}</Text>
          <Text style={{ color: inks.ink, fontSize: 16, flex: 1, fontWeight: '700' }}>{value}</Text>
        </View>
      ))}
      <BigButton
        text={text.find({ engine: vehicle.engine })}
        look="quiet"
        size="desk"
        onPress={() =>
          router.navigate({
            pathname: '/find',
            params: { maker: vehicle.maker, engine: vehicle.engine },
          })
        }
      />
      {mayWrite ? (
        <BigButton
          text={text.edit}
          look="quiet"
          size="desk"
          onPress={() => router.navigate(`/orders/${order.id}/edit`)}
        />
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  links: { flexDirection: 'row', gap: 12, flexWrap: 'wrap' },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  left: { flex: 3, minWidth: 0 },
  right: { flex: 2, minWidth: 0 },
  fact: { flexDirection: 'row', gap: 12 },
});
