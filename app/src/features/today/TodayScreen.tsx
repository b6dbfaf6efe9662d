import { commonText } from '@/language/common';
import { Link, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, runName, type Joint, type Order, type RunBrief } from '@stennet/core/contract';
import {
  asAppError,
  problemOf,
  useLibraryOnDevice,
  useSending,
  useSignedIn,
  useThumb,
  useToday,
} from '@/data';
import { now } from '@/platform/clock';
import { deviceId } from '@/platform/device';
import {
  BigButton,
  Card,
  Icon,
  Line,
  Notice,
  RowLink,
  SavedBadge,
  ScreenFrame,
  Thumb,
  useInks,
  useIsWide,
  Waiting,
} from '@/ui';
import { groupsFor } from './groups';
import { OrderRow } from './OrderRow';
import { remindersFor } from './reminders';
import { text } from './text';

export function TodayScreen() {
  const { me, format } = useSignedIn();
  const inks = useInks();
  const isWide = useIsWide();
  const today = useToday();
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
    <ScreenFrame title={text.today} subtitle={me.shop.name} logo={!isWide} right={right}>
      {orders && today.isError && asAppError(today.error).code === 'OFFLINE' ? (
        <Text role="status" style={{ color: inks.inkSoft, fontSize: 15 }}>
          {text.offline({ ago: format.ago(new Date(today.dataUpdatedAt), now()) })}
        </Text>
      ) : null}
      {orders ? (
        <View style={isWide ? styles.columns : styles.list}>
          <View style={[styles.list, isWide && styles.column]}>
            {me.role === 'apprentice' ? <PracticeFirst /> : null}
            {running.map(({ order, joint, run }) => (
              <OpenRun key={run.id} order={order} joint={joint} run={run} />
            ))}
            <Reminders orders={orders} />
            {me.role === 'lead' ? <Approvals orders={orders} /> : null}
            {late > 0 ? (
              <Card edge="warn">
                <RowLink
                  href="/follow-ups"
                  icon="calendar-clock"
                  title={text.followUps({ count: late })}
                  line={text.followUpsLine}
                  isWarn
                  isLast
                />
              </Card>
            ) : null}
            {orders.length === 0 ? <Notice title={text.empty} text={text.emptyText} /> : null}
            {me.role === 'apprentice' ? null : (
              <Card>
                <RowLink
                  href="/practice"
                  icon="school-outline"
                  title={text.practice}
                  line={text.practiceLine}
                  isLast
                />
              </Card>
            )}
          </View>
          <View style={[styles.list, isWide && styles.column]}>
            {today.data?.more ? <Line>{text.onlyFirst({ n: orders.length })}</Line> : null}
            {groupsFor(me, orders, now()).map((group) => (
              <View key={group.name} style={styles.group}>
                <Text role="heading" aria-level={2} style={[styles.groupName, { color: inks.ink }]}>
                  {text.groups[group.name]}
                </Text>
                <Card>
                  <View>
                    {group.orders.map((o, i) => (
                      <OrderRow key={o.order.id} of={o} isFirst={i === 0} />
                    ))}
                  </View>
                </Card>
              </View>
            ))}
          </View>
        </View>
      ) : (
        <Waiting problem={problemOf(today)} text={text} onRetry={() => void today.refetch()} />
      )}
    </ScreenFrame>
  );
}

/** For who learns, the first thing on the page. */
function PracticeFirst() {
  const router = useRouter();
  const inks = useInks();
  return (
    <Card>
      <Text
        role="heading"
        aria-level={2}
        style={{ fontSize: 22, fontWeight: '700', color: inks.ink }}
      >
        {text.practiceFirst}
      </Text>
      <Text style={{ fontSize: 16, color: inks.inkSoft }}>{text.practiceLine}</Text>
      <BigButton text={text.practiceGo} onPress={() => router.navigate('/practice')} />
    </Card>
  );
}

/** The one thing most often wanted: back to the next pull in one tap. */
function OpenRun({ order, joint, run }: { order: Order; joint: Joint; run: RunBrief }) {
  const { me, format } = useSignedIn();
  const router = useRouter();
  const inks = useInks();
  const thumb = useThumb(joint);
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
      <Thumb
        thumb={thumb}
        width="100%"
        height={isMine ? 132 : 84}
        label={
          standing.fastener
            ? text.mapNext({ joint: name, bolt: standing.fastener })
            : text.map({ joint: name })
        }
        next={standing.fastener}
        done={standing.inPass}
      />
      <BigButton
        text={action}
        label={`${action}, ${commonText.ro({ number: order.number })}`}
        onPress={() => router.navigate(`/runs/${run.id}`)}
        look={isMine ? 'main' : 'plain'}
      />
    </Card>
  );
}

/** What someone asked to be reminded of, each with its order. */
function Reminders({ orders }: { orders: readonly Order[] }) {
  const { me, format } = useSignedIn();
  const due = remindersFor(me, orders, now());
  if (due.length === 0) return null;
  return (
    <Card {...(due.some((r) => r.isLate) ? { edge: 'warn' as const } : {})}>
      <Text role="heading" aria-level={2} style={{ fontSize: 20, fontWeight: '700' }}>
        {text.reminders}
      </Text>
      <View>
        {due.map((r, i) => (
          <RowLink
            key={r.id}
            href={`/orders/${r.order.id}`}
            icon="bell-outline"
            title={r.text}
            line={`${format.due(new Date(r.at), now())} · ${commonText.ro({ number: r.order.number })}`}
            isWarn={r.isLate}
            isLast={i === due.length - 1}
          />
        ))}
      </View>
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

const styles = StyleSheet.create({
  right: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  account: { minHeight: 48, justifyContent: 'center', paddingHorizontal: 8 },
  accountInner: { flexDirection: 'row', alignItems: 'center', gap: 6, minHeight: 48 },
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  list: { gap: 12 },
  group: { gap: 8 },
  groupName: { fontSize: 17, fontWeight: '700', paddingHorizontal: 4 },
});
