import { commonText } from '@/language/common';
import { Link, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, runName, type Joint, type Order, type RunBrief } from '@stennet/core/contract';
import { isAwaited, jointState, ORDER_STATE_TEXT } from '@stennet/core/order';
import {
  asAppError,
  problemOf,
  useLibraryOnDevice,
  useSending,
  useSignedIn,
  useToday,
} from '@/data';
import { now } from '@/platform/clock';
import { deviceId } from '@/platform/device';
import {
  BigButton,
  Card,
  Icon,
  Notice,
  SavedBadge,
  ScreenFrame,
  useInks,
  useIsWide,
  Waiting,
} from '@/ui';
import { text } from './text';

export function TodayScreen() {
  const { me } = useSignedIn();
  const inks = useInks();
  const isWide = useIsWide();
  const today = useToday();
  const router = useRouter();
  const sending = useSending();
  useLibraryOnDevice();
  const late = today.data?.overdue ?? 0;
  const orders = today.data?.orders;
  const running =
    orders?.flatMap((order) =>
      order.jobs.flatMap((job) =>
        job.joints.flatMap((joint) =>
          joint.runs.filter((r) => r.state !== 'finished').map((run) => ({ order, joint, run })),
        ),
      ),
    ) ?? [];
  const right = (
    <View style={styles.right}>
      {sending.unsent > 0 || sending.refused > 0 ? <SavedBadge {...sending} /> : null}
      <Link
        href="/account"
        aria-label={text.account({ name: me.person.name })}
        style={styles.account}
      >
        <View style={styles.accountInner}>
          <Icon name="account-circle-outline" size={28} color={inks.ink} />
          <Text style={{ fontSize: 16, color: inks.ink }}>{me.person.name.split(' ')[0]}</Text>
        </View>
      </Link>
    </View>
  );
  return (
    <ScreenFrame title={text.today} subtitle={me.shop.name} logo right={right}>
      {orders && today.isError && asAppError(today.error).code === 'OFFLINE' ? (
        <Text role="status" style={{ color: inks.inkSoft, fontSize: 15 }}>
          {text.offline}
        </Text>
      ) : null}
      {orders ? (
        <>
          {running.map(({ order, joint, run }) => (
            <OpenRun key={run.id} order={order} joint={joint} run={run} />
          ))}
          {me.role === 'lead' ? <Approvals orders={orders} /> : null}
          <View style={isWide ? styles.ways : styles.waysPhone}>
            <BigButton
              text={text.find}
              look="quiet"
              size="desk"
              grow
              onPress={() => router.navigate('/find')}
            />
            <BigButton
              text={text.allOrders}
              look="quiet"
              size="desk"
              grow
              onPress={() => router.navigate('/orders')}
            />
            <BigButton
              text={text.tools}
              look="quiet"
              size="desk"
              grow
              onPress={() => router.navigate('/tools')}
            />
            <BigButton
              text={text.followUps({ count: late })}
              look={late > 0 ? 'warn' : 'quiet'}
              size="desk"
              grow
              onPress={() => router.navigate('/follow-ups')}
            />
          </View>
          {orders.length === 0 ? <Notice title={text.empty} text={text.emptyText} /> : null}
          <View style={isWide ? styles.grid : styles.list}>
            {orders.map((order) => (
              <OrderCard key={order.id} order={order} isWide={isWide} />
            ))}
          </View>
        </>
      ) : (
        <Waiting problem={problemOf(today)} text={text} onRetry={() => void today.refetch()} />
      )}
    </ScreenFrame>
  );
}

/** The one thing most often wanted: back to the next pull in one tap. */
function OpenRun({ order, joint, run }: { order: Order; joint: Joint; run: RunBrief }) {
  const { me, format } = useSignedIn();
  const router = useRouter();
  const inks = useInks();
  const { standing } = run;
  const name = runName(joint, run);
  const isMine = run.holderDevice === deviceId();
  const action = isMine && isAllowed(me.role, 'run.write') ? text.carryOn : text.watch;
  const where = standing.stageName
    ? text.at({ joint: name, stage: standing.stageName, done: standing.done, of: standing.of })
    : text.ready({ joint: name });
  return (
    <Card>
      <Text style={{ fontSize: 15, color: inks.inkSoft }}>
        {text.left({ ago: format.ago(new Date(run.lastAt), now()) })}
        {isMine ? '' : ` · ${text.by({ person: run.holderPerson, device: run.holderDeviceName })}`}
      </Text>
      <Text
        role="heading"
        aria-level={2}
        style={{ fontSize: 22, fontWeight: '700', color: inks.ink }}
      >
        {where}
      </Text>
      <Text
        style={{ fontSize: 16, color: inks.inkSoft }}
      >{`${commonText.ro({ number: order.number })} · ${order.vehicle.maker} ${order.vehicle.model}${order.bay ? ` · ${order.bay}` : ''}`}</Text>
      <BigButton
        text={action}
        label={`${action}, ${commonText.ro({ number: order.number })}`}
        onPress={() => router.navigate(`/runs/${run.id}`)}
        look={isMine ? 'main' : 'plain'}
      />
    </Card>
  );
}

/** What waits for the lead, finished runs among them: one list, one tap each. */
function Approvals({ orders }: { orders: readonly Order[] }) {
  const router = useRouter();
  const waiting = orders.flatMap((order) =>
    order.jobs.flatMap((job) =>
      job.joints.flatMap((joint) =>
        joint.runs.flatMap((run) => (run.standing.asksLead > 0 ? [{ order, joint, run }] : [])),
      ),
    ),
  );
  if (waiting.length === 0) return null;
  return (
    <Card edge="warn">
      <Text role="heading" aria-level={2} style={{ fontSize: 20, fontWeight: '700' }}>
        {text.approvals}
      </Text>
      {waiting.map(({ order, joint, run }) => (
        <BigButton
          key={run.id}
          text={text.approve({
            number: order.number,
            joint: runName(joint, run),
            count: run.standing.asksLead,
          })}
          look="plain"
          size="desk"
          onPress={() => router.navigate(`/runs/${run.id}`)}
        />
      ))}
    </Card>
  );
}

function OrderCard({ order, isWide }: { order: Order; isWide: boolean }) {
  const { format } = useSignedIn();
  const inks = useInks();
  const joints = order.jobs.flatMap((j) => j.joints);
  const parts = order.entries.filter(
    (e) => e.body.kind === 'part' && isAwaited(e.body.state),
  ).length;
  const asks = joints.flatMap((j) => j.runs).reduce((n, r) => n + r.standing.asksLead, 0);
  const holds = [
    parts > 0 ? text.partsOpen({ count: parts }) : '',
    asks > 0 ? text.asksLead({ count: asks }) : '',
  ].filter(Boolean);
  const done = joints.length > 0 && joints.every((j) => jointState(j) === 'tight');
  return (
    <View style={[styles.order, { backgroundColor: inks.card }, isWide && styles.half]}>
      <Link
        href={`/orders/${order.id}`}
        aria-label={`${text.open} ${commonText.ro({ number: order.number })}`}
        style={styles.orderLink}
      >
        <View style={styles.orderPress}>
          <View style={styles.line}>
            <Text style={[styles.number, { color: inks.ink }]}>
              {commonText.ro({ number: order.number })}
            </Text>
            <Text style={{ color: inks.inkSoft, fontSize: 15 }}>
              {order.promisedAt
                ? text.promised({ time: format.dateTime(new Date(order.promisedAt)) })
                : ''}
            </Text>
          </View>
          <Text
            style={{ fontSize: 17, color: inks.ink }}
          >{`${order.vehicle.maker} ${order.vehicle.model} · ${order.vehicle.plate}`}</Text>
          <Text style={{ fontSize: 16, color: inks.inkSoft }}>
            {order.jobs.map((j) => j.title).join(' · ')}
          </Text>
          <Text style={{ fontSize: 15, color: inks.inkSoft }}>
            {[order.bay, done ? text.tight : ORDER_STATE_TEXT[order.state]]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {holds.length > 0 ? (
            <Text
              style={{ fontSize: 15, color: inks.warnText, fontWeight: '700' }}
            >{`▲ ${holds.join(' · ')}`}</Text>
          ) : null}
        </View>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  right: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  account: { minHeight: 48, justifyContent: 'center', paddingHorizontal: 8 },
  accountInner: { flexDirection: 'row', alignItems: 'center', gap: 6, minHeight: 48 },
  ways: { flexDirection: 'row', gap: 12 },
  waysPhone: { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 } as never,
  list: { gap: 12 },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
  order: { borderRadius: 14, overflow: 'hidden' },
  half: { width: '49%', flexGrow: 1 },
  orderLink: { display: 'flex' },
  orderPress: { padding: 16, gap: 4, width: '100%' },
  line: { flexDirection: 'row', justifyContent: 'space-between', flexWrap: 'wrap', columnGap: 12 },
  number: { fontSize: 20, fontWeight: '700' },
});
