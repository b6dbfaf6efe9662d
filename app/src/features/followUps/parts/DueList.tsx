import { Link } from 'expo-router';
import { StyleSheet } from 'react-native';
import { Text } from 'react-native-paper';
import type { Due, FollowUp } from '@stennet/core/contract';
import { useFollowUp, useSignedIn } from '@/data';
import { Card, FONT, Line, Notice, useInks } from '@/ui';
import { FollowUpRow } from '@/ui/work';
import { text } from '../text';

/** One card for each vehicle, in the order in which the first of its things is due. */
export function DueList({ due }: { due: readonly Due[] }) {
  const orders = [...new Set(due.map((f) => f.order))];
  if (orders.length === 0) return <Notice title={text.none} />;
  return orders.map((order) => (
    <VehicleCard key={order} due={due.filter((f) => f.order === order)} />
  ));
}

function VehicleCard({ due }: { due: readonly Due[] }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const [first] = due;
  if (!first) return null;
  const { vehicle, number, customer, contact, jointName, kmPerDay } = first;
  return (
    <Card>
      <Text
        role="heading"
        aria-level={2}
        style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}
      >
        {text.head({
          plate: vehicle.plate,
          vehicle: `${vehicle.maker} ${vehicle.model}`,
          customer,
        })}
      </Text>
      {contact?.phone ? (
        <Line strong>
          {[contact.phone, contact.prefers && text.contactWays[contact.prefers]]
            .filter(Boolean)
            .join(' · ')}
        </Line>
      ) : null}
      <Line>{`${jointName} · ${text.usual({ km: format.number(kmPerDay, 0) })}`}</Line>
      <Link
        href={`/orders/${first.order}`}
        style={[styles.link, { color: inks.brand, fontFamily: FONT }]}
      >
        {text.openOrder({ number })}
      </Link>
      {due.map((f) => (
        <Row key={f.id} followUp={f} />
      ))}
    </Card>
  );
}

function Row({ followUp }: { followUp: FollowUp }) {
  return <FollowUpRow followUp={followUp} {...useFollowUp(followUp)} />;
}

const styles = StyleSheet.create({
  link: { fontSize: 16, minHeight: 48, paddingVertical: 12, textDecorationLine: 'underline' },
});
