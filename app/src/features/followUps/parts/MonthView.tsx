import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import type { Due } from '@stennet/core/contract';
import { addDays, dayIn } from '@stennet/core/followUp';
import { useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { BigButton, Card, Heading, useInks } from '@/ui';
import { text } from '../text';
import { DueList } from './DueList';

/** A month with what is expected on each day; a day that is tapped shows its things below. */
export function MonthView({ due }: { due: readonly Due[] }) {
  const { format, me } = useSignedIn();
  const [month, setMonth] = useState(dayIn(now(), me.shop.timeZone).slice(0, 7));
  const [chosen, setChosen] = useState<string | null>(null);
  const inks = useInks();
  const name = new Intl.DateTimeFormat(me.shop.locale, {
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${month}-01`));
  const move = (by: number): void => {
    setMonth(addDays(`${month}-15`, by * 30).slice(0, 7));
    setChosen(null);
  };
  return (
    <>
      <Card>
        <View style={styles.head}>
          <BigButton
            text="‹"
            label={text.before}
            look="quiet"
            size="desk"
            onPress={() => move(-1)}
          />
          <Text
            role="heading"
            aria-level={2}
            aria-live="polite"
            style={{ fontSize: 20, fontWeight: '700', color: inks.ink }}
          >
            {name}
          </Text>
          <BigButton text="›" label={text.after} look="quiet" size="desk" onPress={() => move(1)} />
        </View>
        <View style={styles.grid} aria-hidden>
          {weekdays(me.shop.locale).map((d) => (
            <Text key={d} style={[styles.cell, styles.weekday, { color: inks.inkSoft }]}>
              {d}
            </Text>
          ))}
        </View>
        <View style={styles.grid}>
          {daysOf(month).map((day, i) => (
            <Day
              key={day ?? `empty ${i}`}
              day={day}
              count={due.filter((f) => f.dueOn === day).length}
              on={chosen === day}
              onPress={setChosen}
            />
          ))}
        </View>
      </Card>
      {chosen ? (
        <>
          <Heading>{text.onDay({ day: format.day(chosen) })}</Heading>
          <DueList due={due.filter((f) => f.dueOn === chosen)} />
        </>
      ) : null}
    </>
  );
}

function Day({
  day,
  count,
  on,
  onPress,
}: {
  day: string | null;
  count: number;
  on: boolean;
  onPress: (day: string) => void;
}) {
  const inks = useInks();
  const { format, me } = useSignedIn();
  if (day === null) return <View style={styles.cell} />;
  const number = Number(day.slice(8));
  const isToday = day === dayIn(now(), me.shop.timeZone);
  const words = (
    <View style={styles.day}>
      <Text
        style={{
          fontSize: 16,
          color: inks.ink,
          fontWeight: isToday ? '700' : '400',
          textDecorationLine: isToday ? 'underline' : 'none',
        }}
      >
        {number}
      </Text>
      {count > 0 ? (
        <Text style={[styles.count, { backgroundColor: inks.brand, color: inks.onBrand }]}>
          {count}
        </Text>
      ) : null}
    </View>
  );
  if (count === 0) return <View style={styles.cell}>{words}</View>;
  return (
    <View style={[styles.cell, on && { borderColor: inks.brand, borderWidth: 2, borderRadius: 8 }]}>
      <TouchableRipple
        role="button"
        aria-label={text.dayHas({ day: format.day(day), count })}
        aria-pressed={on}
        onPress={() => onPress(day)}
        style={styles.press}
      >
        {words}
      </TouchableRipple>
    </View>
  );
}

/** The days of a month, with empty places before the first Monday. */
function daysOf(month: string): (string | null)[] {
  const first = new Date(`${month}-01T00:00:00Z`);
  const before = (first.getUTCDay() + 6) % 7;
  const count = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  return [
    ...Array.from({ length: before }, () => null),
    ...Array.from({ length: count }, (_, i) => `${month}-${String(i + 1).padStart(2, '0')}`),
  ];
}

/** 1 January 2024 was a Monday. */
const weekdays = (locale: string): string[] =>
  Array.from({ length: 7 }, (_, i) =>
    new Intl.DateTimeFormat(locale, { weekday: 'short', timeZone: 'UTC' }).format(
      new Date(Date.UTC(2024, 0, 1 + i)),
    ),
  );

const styles = StyleSheet.create({
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: 8 },
  grid: { flexDirection: 'row', flexWrap: 'wrap' },
  cell: { width: '14.28%', minHeight: 52, alignItems: 'stretch' },
  weekday: { minHeight: 26, textAlign: 'center', fontSize: 14 },
  press: { minHeight: 52, borderRadius: 8 },
  day: { alignItems: 'center', gap: 2, paddingTop: 4 },
  count: {
    fontSize: 14,
    fontWeight: '700',
    borderRadius: 10,
    minWidth: 22,
    textAlign: 'center',
    overflow: 'hidden',
  },
});
