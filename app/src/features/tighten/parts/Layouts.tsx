import type { Next } from '@stennet/core/run';
import { useEffect, useRef } from 'react';
import {
  View,
  ScrollView,
  StyleSheet,
  useWindowDimensions,
  type StyleProp,
  type ViewStyle,
} from 'react-native';
import type { PracticeRun } from '@/data/practice';
import { useInks, useSteady } from '@/ui';
import { useRunNow, useRunSoon } from '../hooks/useRunNow';
import { useRunPlace } from '../hooks/useRunPlace';
import { PracticeStage } from '../practice/PracticeStage';
import { Hand } from './Hand';
import { RibbonOf, MapOf } from './RunDrawings';
import { ValuesStrip } from './ValuesStrip';

export function Phone({ isHuge, isNear }: { isHuge: boolean; isNear: boolean }) {
  const inks = useInks();
  return (
    <View style={styles.phone}>
      {isHuge || isNear ? null : (
        <View style={styles.ribbon}>
          <RibbonSoon height={56} />
        </View>
      )}
      <View style={isHuge ? styles.noMap : styles.map}>{isHuge ? null : <Stage />}</View>
      <View
        style={[
          styles.sheet,
          isHuge && styles.whole,
          { backgroundColor: inks.card, borderTopColor: inks.brand },
        ]}
      >
        <HandScroll style={styles.sheetBody} />
      </View>
    </View>
  );
}

/** Where practice shows the bolts themselves. */
export const NEAR: readonly Next['kind'][] = ['pull', 'reconcile', 'hold'];

/** A phone on its side: too low for one above the other. */
export function useIsLow(): boolean {
  const { width, height } = useWindowDimensions();
  return height < 500 && width > height;
}

/** @param isLow so low that map and hand take half each, and nothing else */
export function Wide({ isLow }: { isLow: boolean }) {
  const inks = useInks();
  return (
    <View style={styles.wide}>
      <View style={styles.left}>
        <View style={styles.ribbon}>
          <RibbonSoon height={isLow ? 48 : 72} />
        </View>
        <View style={styles.map}>
          <Stage />
        </View>
        {isLow ? null : (
          <View style={styles.values}>
            <ValuesSoon />
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
        <HandScroll style={isLow ? styles.sheetBody : styles.panelBody} />
      </View>
    </View>
  );
}

function RibbonSoon({ height }: { height: number }) {
  const { view } = useRunSoon();
  return <RibbonOf state={view.state} height={height} />;
}

/** The bolt under a practice wrench moves with the hand; a map follows. */
function Stage() {
  const { practice } = useRunPlace();
  return practice ? <PracticeNow practice={practice} /> : <MapSoon />;
}

function PracticeNow({ practice }: { practice: PracticeRun }) {
  const { view, due } = useRunNow();
  return <PracticeStage practice={practice} state={view.state} due={due} map={<MapSoon />} />;
}

function MapSoon() {
  const { view, due, onSeat } = useRunSoon();
  const { state, kept } = view;
  return <MapOf state={state} joint={kept.order.joint} due={due} onSeat={onSeat} />;
}

function ValuesSoon() {
  const { view, due } = useRunSoon();
  return (
    <ValuesStrip
      state={view.state}
      nextSeat={due.kind === 'pull' ? due.seat : null}
      nextStage={due.kind === 'pull' ? due.stageIndex : -1}
    />
  );
}

/** What comes next is read from its first line, however far down the last panel was scrolled. */
function HandScroll({ style }: { style: StyleProp<ViewStyle> }) {
  const ref = useRef<ScrollView>(null);
  // Asked of the browser only after someone scrolled: it lays the page out again to answer.
  const isDown = useRef(false);
  const toTop = useSteady(() => {
    if (isDown.current) ref.current?.scrollTo({ y: 0, animated: false });
    isDown.current = false;
  });
  return (
    <ScrollView
      ref={ref}
      onScroll={(e) => (isDown.current = e.nativeEvent.contentOffset.y > 0)}
      scrollEventThrottle={100}
      contentContainerStyle={style}
      tabIndex={0}
    >
      <Hand />
      <EachStep act={toTop} />
    </ScrollView>
  );
}

function EachStep({ act }: { act: () => void }) {
  const { length } = useRunNow().view.state.events;
  useEffect(act, [length, act]);
  return null;
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
