import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, type Order } from '@stennet/core/contract';
import { ofKind, useEntries, useSignedIn } from '@/data';
import { BigButton, Card, FlatSections, Fold, Section, useInks, useIsWide } from '@/ui';
import { text } from '../text';
import { AddJob } from './AddJob';
import { Notes } from './Notes';
import { OrderPath } from './OrderPath';
import { People } from './People';
import { Photos } from './Photos';
import { QuickRow } from './QuickRow';
import { Reminders } from './Reminders';

/** All of one repair order; beside the list on a wide screen, by itself elsewhere. */
export function OrderPane({ order, isBeside = false }: { order: Order; isBeside?: boolean }) {
  const isWide = useIsWide() && !isBeside;
  const { me } = useSignedIn();
  const entries = useEntries(order);
  const mayWrite = isAllowed(me.role, 'order.write') && order.state !== 'handedOver';
  const common = { order: order.id, entries, mayWrite };
  const has = (kind: 'note' | 'photo' | 'person' | 'reminder'): boolean =>
    ofKind(entries, kind).length > 0;
  const path = <OrderPath key={order.id} order={order} entries={entries} mayWrite={mayWrite} />;
  const beside = (
    <>
      {mayWrite ? <QuickRow order={order} entries={entries} /> : null}
      {has('note') ? <Notes {...common} only="there" /> : null}
      {has('photo') ? <Photos {...common} only="there" /> : null}
      {has('person') ? <People {...common} /> : null}
      {has('reminder') ? <Reminders {...common} /> : null}
      <Card>
        <Fold title={text.vehicleFold}>
          <Facts order={order} mayWrite={mayWrite} />
        </Fold>
      </Card>
      {mayWrite ? (
        <Card>
          <Fold title={text.moreOnIt}>
            <FlatSections>
              <AddJob order={order} />
              {has('person') ? null : <People {...common} />}
              {has('reminder') ? null : <Reminders {...common} />}
            </FlatSections>
          </Fold>
        </Card>
      ) : null}
    </>
  );
  return isWide ? (
    <View style={styles.wide}>
      <View style={[styles.column, styles.left]}>
        <Concern order={order} />
        {path}
      </View>
      <View style={[styles.column, styles.right]}>{beside}</View>
    </View>
  ) : (
    <View style={styles.column}>
      <Concern order={order} />
      {path}
      {beside}
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

const said = (name: string, value: string | null | undefined): [string, string][] =>
  value ? [[name, value]] : [];

function Facts({ order, mayWrite }: { order: Order; mayWrite: boolean }) {
  const inks = useInks();
  const router = useRouter();
  const { format } = useSignedIn();
  const { vehicle } = order;
  const facts: [string, string][] = [
    [text.vehicle, `${vehicle.maker} ${vehicle.model}`],
    [text.engine, vehicle.engine],
    ...said(
      text.odometer,
      order.odometer && format.distance(order.odometer.value, order.odometer.unit),
    ),
    [text.plate, vehicle.plate],
    ...said(text.vin, vehicle.vin),
    ...said(text.built, vehicle.built && format.day(vehicle.built)),
    [text.customer, order.customer],
    ...said(text.phone, order.contact?.phone),
    ...said(text.email, order.contact?.email),
    ...said(text.prefers, order.contact?.prefers && text.contactWays[order.contact.prefers]),
    ...(order.promisedAt
      ? [[text.promised, format.dateTime(new Date(order.promisedAt))] as [string, string]]
      : []),
  ];
  return (
    <>
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
    </>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  left: { flex: 3, minWidth: 0 },
  right: { flex: 2, minWidth: 0 },
  fact: { flexDirection: 'row', gap: 12 },
});
