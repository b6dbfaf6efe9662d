import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { convert, type Quantity } from '@stennet/core/quantity';
import { windowOf, type PullNext } from '@stennet/core/run';
import { approach, type WrenchLive } from '@stennet/core/trace';
import { useSignedIn, useWrenchLive, type WrenchLink } from '@/data';
import { approachTone } from '@/platform/sound';
import { useInks } from '@/ui';

/** Past the target the bar still has room to show by how much. */
const ROOM = 1.15;

/**
 * What the wrench reads while it is pulled, against the target; heard as a rising tone where sound
 * is on. Not read out: a voice would be late at every value.
 */
export function LivePull({
  due,
  link,
  sound,
}: {
  due: PullNext;
  link: WrenchLink;
  sound: boolean;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const live = useWrenchLive();
  const set = due.tool.wrench;
  const isOther = link.name !== null && set && link.name !== set.name;
  const value = live && !isOther ? valueOf(due, live) : null;
  const at = value ? approach(value.value, windowInHand(due)) : null;
  const tone = sound && at ? `${at.is} ${at.share.toFixed(3)}` : null;
  useEffect(() => approachTone(tone ? at : null), [tone, at]);
  useEffect(() => () => approachTone(null), []);
  if (!value || !at) return null;
  const shown = format.inHand(value);
  const ink = at.is === 'over' ? inks.warnText : at.is === 'at' ? inks.ink : inks.brand;
  return (
    <View aria-hidden style={styles.live}>
      <Text style={{ fontSize: 30, lineHeight: 36, fontWeight: '700', color: ink }}>
        {`${at.is === 'over' ? '▲ ' : at.is === 'at' ? '■ ' : ''}${shown.number}${shown.unit === '°' ? '°' : ` ${shown.unit}`}`}
      </Text>
      <View style={[styles.track, { borderColor: inks.line }]}>
        <View
          style={{
            height: '100%',
            width: `${Math.min(100, (at.share / ROOM) * 100)}%`,
            backgroundColor: at.is === 'over' ? inks.warn : inks.brand,
          }}
        />
        <View style={[styles.mark, { left: `${100 / ROOM}%`, backgroundColor: inks.ink }]} />
      </View>
    </View>
  );
}

/** An angle is what it has turned so far; everything else its torque, in the unit of the target. */
function valueOf({ task, target }: PullNext, live: WrenchLive): Quantity | null {
  if (!target) return null;
  if (task.action === 'angle')
    return live.turned === undefined ? null : { value: live.turned, unit: 'deg' };
  return { value: convert(live.torque, target.unit), unit: target.unit };
}

/** What is left to do of an angle that was begun; a torque is pulled whole. */
function windowInHand({ task, target, inHand }: PullNext): {
  target: number;
  low: number;
  high: number;
} {
  const { low, high } = windowOf(task);
  const whole = target?.value ?? 0;
  const done = target?.unit === 'deg' && inHand?.unit === 'deg' ? whole - inHand.value : 0;
  return { target: whole - done, low: low - done, high: high - done };
}

const styles = StyleSheet.create({
  live: { gap: 4 },
  track: { height: 22, borderWidth: 2, borderRadius: 6, overflow: 'hidden' },
  mark: { position: 'absolute', top: 0, bottom: 0, width: 4 },
});
