import { useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, type Joint, type Order } from '@stennet/core/contract';
import { asAppError, useOrder, useSignedIn } from '@/data';
import { deviceId } from '@/platform/device';
import { BigButton, Card, Loading, Notice, ScreenFrame, useInks, useIsWide } from '@/ui';
import { text } from './text';

export function OrderScreen() {
  const { order: id } = useLocalSearchParams<{ order: string }>();
  const order = useOrder(id);
  if (order.data) return <Ready order={order.data} />;
  return (
    <ScreenFrame title={text.title('')} back="/" backLabel={text.back}>
      {order.isError ? (
        <Notice
          title={text.failed}
          text={`${asAppError(order.error).message} ${asAppError(order.error).fix}`}
          action={{ text: text.retry, onPress: () => void order.refetch() }}
          alert
        />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}

function Ready({ order }: { order: Order }) {
  const router = useRouter();
  const isWide = useIsWide();
  const inks = useInks();
  const { vehicle } = order;
  const heading = { fontWeight: '700', fontSize: 20, color: inks.ink } as const;
  return (
    <ScreenFrame title={text.title(order.number)} subtitle={`${vehicle.maker} ${vehicle.model}${order.bay ? ` · ${order.bay}` : ''}`} back="/" backLabel={text.back}>
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && { flex: 3 }]}>
          {order.jobs.map((job) => (
            <Card key={job.id}>
              <Text role="heading" aria-level={2} style={heading}>
                {job.title}
              </Text>
              {job.joints.map((joint) => (
                <JointRow key={joint.id} joint={joint} />
              ))}
            </Card>
          ))}
          <Card>
            <Text role="heading" aria-level={2} style={heading}>
              {text.concern}
            </Text>
            <Text style={{ fontSize: 17, lineHeight: 25, color: inks.ink }}>{order.concern}</Text>
          </Card>
        </View>
        <View style={[styles.column, isWide && { flex: 2 }]}>
          <Facts order={order} />
          <BigButton
            text={text.find(vehicle.engine)}
            look="plain"
            size="desk"
            onPress={() => router.navigate({ pathname: '/find', params: { maker: vehicle.maker, engine: vehicle.engine } })}
          />
        </View>
      </View>
    </ScreenFrame>
  );
}

function Facts({ order }: { order: Order }) {
  const inks = useInks();
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
    ...(order.promisedAt ? [[text.promised, format.dateTime(new Date(order.promisedAt))] as [string, string]] : []),
  ];
  return (
    <Card>
      {facts.map(([name, value]) => (
        <View key={name} style={styles.fact}>
          <Text style={{ color: inks.inkSoft, fontSize: 16, width: 96 }}>{name}</Text>
          <Text style={{ color: inks.ink, fontSize: 16, flex: 1, fontWeight: '700' }}>{value}</Text>
        </View>
      ))}
    </Card>
  );
}

function JointRow({ joint }: { joint: Joint }) {
  const inks = useInks();
  const router = useRouter();
  const { me, format } = useSignedIn();
  const { run } = joint;
  const mayWrite = isAllowed(me.role, 'run.write');
  const standing = !run
    ? text.notStarted
    : run.state === 'finished'
      ? text.finished(format.dateTime(new Date(run.lastAt)), run.holderPerson)
      : run.standing.stageName
        ? text.running(run.standing.stageName, run.standing.done, run.standing.of)
        : text.ready;
  return (
    <View style={[styles.joint, { borderTopColor: inks.line }]}>
      <Text style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}>{joint.name}</Text>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>{text.sheet(joint.sheetTitle, joint.revision)}</Text>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>{standing}</Text>
      {!run && mayWrite ? <BigButton text={text.tighten(joint.name)} size="desk" onPress={() => router.navigate(`/joints/${joint.id}`)} /> : null}
      {run && run.state !== 'finished' ? (
        <BigButton text={run.holderDevice === deviceId() && mayWrite ? text.carryOn(joint.name) : text.watch} size="desk" onPress={() => router.navigate(`/runs/${run.id}`)} />
      ) : null}
      {run ? <BigButton text={text.record} look="plain" size="desk" onPress={() => router.navigate(`/runs/${run.id}/record`)} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  fact: { flexDirection: 'row', gap: 12 },
  joint: { borderTopWidth: 1, paddingTop: 12, gap: 8 },
});
