import { commonText } from '@/language/common';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Due } from '@stennet/core/contract';
import { dayIn, standingOn } from '@stennet/core/followUp';
import { asAppError, useFollowUps, useSignedIn, useSteadyFollowUps } from '@/data';
import { now } from '@/platform/clock';
import { Card, Chip, Heading, Line, Loading, Notice, ScreenFrame, useIsWide } from '@/ui';
import { CalendarCard } from './parts/CalendarCard';
import { DueList } from './parts/DueList';
import { DueTable } from './parts/DueTable';
import { MonthView } from './parts/MonthView';
import { text } from './text';

const GROUPS = ['overdue', 'today', 'soon', 'later'] as const;
const VIEWS = ['list', 'month', 'settled'] as const;
const MOST = 500;

/** What is due after the work: overdue first, as a list or by the month. */
export function FollowUpsScreen() {
  const isWide = useIsWide();
  const [view, setView] = useState<(typeof VIEWS)[number]>('list');
  const { data, isError, error, refetch } = useFollowUps();
  const due = data?.due ?? [];
  const open = due.filter((f) => f.state === 'open');
  const { at } = useLocalSearchParams<{ at?: string }>();
  const chosen = open.find((f) => f.id === at) ?? open[0];
  return (
    <ScreenFrame title={text.title} back="/shop" backLabel={commonText.backToShop}>
      <View role="tablist" style={styles.tabs}>
        {VIEWS.map((v) => (
          <Chip key={v} role="tab" text={text[v]} on={view === v} onPress={() => setView(v)} />
        ))}
      </View>
      {data ? (
        <View style={isWide ? styles.wide : styles.column}>
          <View style={[styles.column, isWide && styles.left]}>
            {due.length === MOST ? <Line>{text.more}</Line> : null}
            {view === 'list' && !isWide ? <Groups due={open} /> : null}
            {view === 'list' && isWide && open.length > 0 ? (
              <Card>
                <DueTable due={open} chosen={chosen?.id} />
              </Card>
            ) : null}
            {view === 'list' && isWide && open.length === 0 ? (
              <Notice title={text.none} text={text.noneText} />
            ) : null}
            {view === 'month' ? <MonthView due={open} /> : null}
            {view === 'settled' ? <DueList due={due.filter((f) => f.state !== 'open')} /> : null}
          </View>
          <View style={[styles.column, isWide && styles.right]}>
            {view === 'list' && isWide && chosen ? (
              <DueList due={open.filter((f) => f.order === chosen.order)} />
            ) : null}
            <CalendarCard hasFeed={data.hasFeed} />
          </View>
        </View>
      ) : isError ? (
        <Notice
          title={text.failed}
          text={asAppError(error).fix}
          action={{ text: text.retry, onPress: () => void refetch() }}
          alert
        />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}

function Groups({ due }: { due: readonly Due[] }) {
  const { me } = useSignedIn();
  const today = dayIn(now(), me.shop.timeZone);
  const steady = useSteadyFollowUps(due, (f) => standingOn(today, f));
  if (due.length === 0) return <Notice title={text.none} text={text.noneText} />;
  return GROUPS.map((group) => {
    const own = steady.flatMap((s) => (s.group === group ? [s.followUp] : []));
    return own.length === 0 ? null : (
      <View key={group} style={styles.column}>
        <Heading>{`${text.groups[group]} (${own.length})`}</Heading>
        <DueList due={own} />
      </View>
    );
  });
}

const styles = StyleSheet.create({
  tabs: { flexDirection: 'row', gap: 8, flexWrap: 'wrap' },
  column: { gap: 12 },
  wide: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  left: { flex: 3, minWidth: 0 },
  right: { flex: 2, minWidth: 0 },
});
