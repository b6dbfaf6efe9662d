import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useInks } from '@/ui';
import type { Held } from './useHandle';

/** A press moves the handle a little; held, it goes on. Dragging is never the only way. */
export function HoldButton({
  text,
  way,
  hand,
  isMain = false,
}: {
  text: string;
  way: -1 | 1;
  hand: Held;
  isMain?: boolean;
}) {
  const inks = useInks();
  const button = useRef<HTMLElement>(null);
  const latest = useRef(hand);
  useEffect(() => {
    latest.current = hand;
  });
  useEffect(() => {
    const at = button.current;
    if (!at) return;
    const down = (e: PointerEvent): void => {
      at.setPointerCapture(e.pointerId);
      latest.current.hold(way);
    };
    const up = (): void => latest.current.hold(0);
    const key = (e: KeyboardEvent): void => {
      if (e.key !== 'Enter' && e.key !== ' ') return;
      e.preventDefault();
      latest.current.nudge(way);
    };
    // A screen reader presses without a pointer.
    const click = (e: MouseEvent): void => {
      if (e.detail === 0) latest.current.nudge(way);
    };
    at.addEventListener('pointerdown', down);
    at.addEventListener('pointerup', up);
    at.addEventListener('pointercancel', up);
    at.addEventListener('keydown', key);
    at.addEventListener('click', click);
    return () => {
      at.removeEventListener('pointerdown', down);
      at.removeEventListener('pointerup', up);
      at.removeEventListener('pointercancel', up);
      at.removeEventListener('keydown', key);
      at.removeEventListener('click', click);
    };
  }, [way]);
  return (
    <View
      ref={button as never}
      role="button"
      tabIndex={0}
      aria-label={text}
      style={[
        styles.button,
        HOLDS,
        {
          backgroundColor: isMain ? inks.brand : inks.card,
          borderColor: isMain ? inks.brand : inks.line,
        },
      ]}
    >
      <Text style={[styles.text, { color: isMain ? inks.onBrand : inks.ink }]}>{text}</Text>
    </View>
  );
}

const HOLDS = { touchAction: 'none', userSelect: 'none', cursor: 'pointer' } as never;
const styles = StyleSheet.create({
  button: {
    flex: 1,
    minHeight: 64,
    borderWidth: 2,
    borderRadius: 14,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: 8,
  },
  text: { fontSize: 17, fontWeight: '700' },
});
