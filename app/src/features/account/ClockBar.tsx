import { Link } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useClocks, type ShownClock } from '@/data';
import { now } from '@/platform/clock';
import { vibrate } from '@/platform/vibrate';
import { useInks } from '@/ui';
import { minutes, phaseOf, type Phase } from './clockPhase';
import { text } from './text';

/**
 * Sealant cures and compounds tack whatever screen is looked at: every running clock, on top of all
 * of them.
 */
export function ClockBar() {
  const clocks = useClocks();
  const [at, setAt] = useState(() => now().getTime());
  const isRunning = clocks.length > 0;
  useEffect(() => {
    if (!isRunning) return;
    const tick = (): void => setAt(now().getTime());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [isRunning]);
  if (!isRunning) return null;
  return (
    <View role="region" aria-label={text.clocks}>
      {clocks.map((c) => (
        <OneClock key={c.run + c.id} clock={c} at={at} />
      ))}
    </View>
  );
}

function OneClock({ clock, at }: { clock: ShownClock; at: number }) {
  const inks = useInks();
  const phase = phaseOf(clock, at);
  const told = useRef<Phase>('running');
  useEffect(() => {
    if (told.current !== phase && phase !== 'running') vibrate(phase === 'over' ? 600 : 250);
    told.current = phase;
  }, [phase]);
  const isLate = clock.kind === 'within' && phase !== 'running';
  const left = Date.parse(clock.limitAt) - at;
  const words =
    clock.kind === 'within'
      ? left > 0
        ? text.left({ time: minutes(left) })
        : text.over({ time: minutes(-left) })
      : left > 0
        ? text.wait({ time: minutes(left) })
        : text.waited;
  return (
    <View
      style={[
        styles.bar,
        { backgroundColor: isLate ? inks.warn : inks.card, borderBottomColor: inks.line },
      ]}
    >
      <Link
        href={`/runs/${clock.run}`}
        aria-label={text.clock({ what: clock.text })}
        style={styles.link}
      >
        <View style={styles.inner}>
          <Text
            style={[styles.text, { color: isLate ? inks.bench : inks.ink }]}
          >{`${isLate ? '▲ ' : ''}${clock.text}: ${words}`}</Text>
        </View>
      </Link>
      <View role={isLate ? 'alert' : 'status'} style={styles.unseen}>
        <Text>
          {phase === 'running'
            ? ''
            : phase === 'ending'
              ? text.ending({ what: clock.text })
              : clock.kind === 'within'
                ? text.isOver({ what: clock.text })
                : text.mayGoOn({ what: clock.text })}
        </Text>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { borderBottomWidth: 1 },
  link: { display: 'flex' },
  inner: { minHeight: 48, justifyContent: 'center', paddingHorizontal: 16, width: '100%' },
  text: { fontSize: 17, fontWeight: '700' },
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden' },
});
