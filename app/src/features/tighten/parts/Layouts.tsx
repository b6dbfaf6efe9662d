import type { Next, RunState } from '@stennet/core/run';
import { type ReactNode, type RefObject, useRef, useEffect } from 'react';
import {
  View,
  ScrollView,
  type NativeSyntheticEvent,
  type NativeScrollEvent,
  StyleSheet,
  useWindowDimensions,
} from 'react-native';
import type { RunView } from '@/data/runStore';
import { useInks } from '@/ui';
import { useRunPlace } from '../hooks/useRunPlace';
import { RibbonOf, MapOf } from './RunDrawings';
import { PracticeStage } from '../practice/PracticeStage';
import { ValuesStrip } from './ValuesStrip';

interface Layout {
  view: RunView;
  due: Next;
  hand: ReactNode;
  onSeat: (seat: string) => void;
}

export function Phone({ view, due, hand, onSeat, isHuge }: Layout & { isHuge: boolean }) {
  const inks = useInks();
  const top = useTop(view.state);
  // A wrench on the bolt, or the bolts from above, need the room.
  const isNear = useRunPlace().practice !== null && NEAR.includes(due.kind);
  return (
    <View style={styles.phone}>
      {isHuge || isNear ? null : (
        <View style={styles.ribbon}>
          <RibbonOf state={view.state} height={56} />
        </View>
      )}
      <View style={isHuge ? styles.noMap : styles.map}>
        {isHuge ? null : (
          <PracticeStage
            state={view.state}
            due={due}
            map={
              <MapOf state={view.state} joint={view.kept.order.joint} due={due} onSeat={onSeat} />
            }
          />
        )}
      </View>
      <View
        style={[
          styles.sheet,
          isHuge && styles.whole,
          { backgroundColor: inks.card, borderTopColor: inks.brand },
        ]}
      >
        <ScrollView
          {...top}
          scrollEventThrottle={100}
          contentContainerStyle={styles.sheetBody}
          tabIndex={0}
        >
          {hand}
        </ScrollView>
      </View>
    </View>
  );
}

/** Where practice shows the bolts themselves. */
const NEAR: readonly Next['kind'][] = ['pull', 'reconcile', 'hold'];

/** A phone on its side: too low for one above the other. */
export function useIsLow(): boolean {
  const { width, height } = useWindowDimensions();
  return height < 500 && width > height;
}

/** @param isLow so low that map and hand take half each, and nothing else */
export function Wide({ view, due, hand, onSeat, isLow }: Layout & { isLow: boolean }) {
  const inks = useInks();
  const top = useTop(view.state);
  return (
    <View style={styles.wide}>
      <View style={styles.left}>
        <View style={styles.ribbon}>
          <RibbonOf state={view.state} height={isLow ? 48 : 72} />
        </View>
        <View style={styles.map}>
          <PracticeStage
            state={view.state}
            due={due}
            map={
              <MapOf state={view.state} joint={view.kept.order.joint} due={due} onSeat={onSeat} />
            }
          />
        </View>
        {isLow ? null : (
          <View style={styles.values}>
            <ValuesStrip
              state={view.state}
              nextSeat={due.kind === 'pull' ? due.seat : null}
              nextStage={due.kind === 'pull' ? due.stageIndex : -1}
            />
          </View>
        )}
      </View>
      <View
        style={[
          styles.panel,
          isLow && styles.half,
          { backgroundColor: inks.card, borderLeftColor: inks.line },
        ]}
      >
        <ScrollView
          {...top}
          scrollEventThrottle={100}
          contentContainerStyle={isLow ? styles.sheetBody : styles.panelBody}
          tabIndex={0}
        >
          {hand}
        </ScrollView>
      </View>
    </View>
  );
}

/** What comes next is read from its first line, however far down the last panel was scrolled. */
function useTop(state: RunState): {
  ref: RefObject<ScrollView | null>;
  onScroll: (e: NativeSyntheticEvent<NativeScrollEvent>) => void;
} {
  const ref = useRef<ScrollView>(null);
  // Asked of the browser only after someone scrolled: it lays the page out again to answer.
  const isDown = useRef(false);
  const { length } = state.events;
  useEffect(() => {
    if (isDown.current) ref.current?.scrollTo({ y: 0, animated: false });
    isDown.current = false;
  }, [length]);
  return { ref, onScroll: (e) => (isDown.current = e.nativeEvent.contentOffset.y > 0) };
}

export const styles = StyleSheet.create({
  right: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  work: { flex: 1, minHeight: 0 },
  phone: { flex: 1, minHeight: 0 },
  noMap: { height: 0 },
  whole: { maxHeight: '100%', flexGrow: 1 },
  ribbon: { paddingHorizontal: 8, paddingTop: 6, alignItems: 'center' },
  map: { flex: 1, minHeight: 130, padding: 4 },
  sheet: {
    borderTopWidth: 2,
    borderTopLeftRadius: 18,
    borderTopRightRadius: 18,
    flexShrink: 1,
    maxHeight: '72%',
  },
  sheetBody: { padding: 14, gap: 12 },
  wide: { flex: 1, flexDirection: 'row', minHeight: 0 },
  left: { flex: 1, minWidth: 0 },
  values: { paddingHorizontal: 16, paddingBottom: 12 },
  panel: { width: 400, borderLeftWidth: 1 },
  half: { width: 'auto', flex: 1 },
  panelBody: { padding: 24, gap: 12, flexGrow: 1, justifyContent: 'center' },
});
