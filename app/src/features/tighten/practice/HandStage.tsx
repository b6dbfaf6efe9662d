import { useEffect, useRef, useState, type RefObject } from 'react';
import { Text as PlainText, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { handBolt, handDial, handHandle } from '@stennet/core/drawing';
import { groupOfSeat } from '@stennet/core/procedure';
import { convert } from '@stennet/core/quantity';
import type { PullNext, RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import type { Felt, PracticeRun } from '@/data/practice';
import { keptChoice } from '@/platform/keptChoice';
import { useHands } from '@/platform/hands';
import { hasKeyboard } from '@/platform/keys';
import { workSound } from '@/platform/sound';
import { vibrate } from '@/platform/vibrate';
import { Chip, DrawingView, FONT, MONO, useInks } from '@/ui';
import { fastenerName, text } from '../text';
import { EffortView } from './EffortView';
import { HoldButton } from './HoldButton';
import { useHandle } from './useHandle';

const { useKept: useSlow, put: putSlow } = keptChoice('practice', { isSlow: false });
/** A bolt that is pulled so hard creaks now and then. */
const [CREAKS_FROM_NM, CREAK_EVERY_DEG] = [45, 9];
const TOOTH_DEG = 5;

interface Props {
  practice: PracticeRun;
  state: RunState;
  due: PullNext;
  /** How far the handle can swing, degrees. */
  room: number | undefined;
  onMap: () => void;
}

/** The wrench on the bolt that is due: what the hand does, and what it feels. */
export function HandStage({ practice, state, due, room, onMap }: Props) {
  const inks = useInks();
  const { me } = useSignedIn();
  const { isSlow } = useSlow(me.person.id);
  const dial = useRef<HTMLElement>(null);
  const handle = useRef<HTMLElement>(null);
  const bolt = useRef<HTMLElement>(null);
  const [isAtEnd, setAtEnd] = useState(false);
  const isAngle = due.task.action === 'angle';
  const key = `${state.events.length} ${due.task.key} ${due.fastener}`;
  const share = (): number => {
    const { feel } = practice.felt.getState();
    const goal = isAngle ? due.inHand?.value : due.target && convert(due.target, 'N.m');
    return feel && goal ? (isAngle ? feel.gaugeDeg : feel.torqueNm) / goal : 0;
  };
  const hand = useHandle(practice, key, { room, isSlow, share }, dial, (at, atEnd) => {
    turn(handle.current, at);
    if (atEnd !== isAtEnd) setAtEnd(atEnd);
  });
  useFeeling(practice, bolt);
  const { head } = groupOfSeat(state.sheet, due.seat);
  const name = fastenerName(state.sheet, due.fastener);
  return (
    <View style={styles.stage}>
      <View style={styles.row}>
        <View
          ref={dial as never}
          role="img"
          aria-label={text.practice.dialLabel({ bolt: name })}
          style={[styles.dial, NO_SCROLL]}
        >
          <Layer drawing={handDial(isAngle ? (due.inHand?.value ?? null) : null)} />
          <Layer drawing={handBolt(head)} of={bolt} />
          <Layer drawing={HANDLE} of={handle} />
        </View>
        <View style={styles.side}>
          <Readout practice={practice} due={due} />
          <EffortView practice={practice} />
          <View style={styles.chips}>
            <Chip role="checkbox" text={text.practice.map} on={false} onPress={onMap} />
            <Chip
              role="checkbox"
              text={text.practice.slower}
              on={isSlow}
              onPress={() => putSlow(me.person.id, { isSlow: !isSlow })}
            />
          </View>
        </View>
      </View>
      <View style={styles.buttons}>
        <HoldButton text={text.practice.swing} way={-1} hand={hand} />
        <HoldButton
          text={isAtEnd ? text.practice.noRoom : text.practice.pull}
          way={1}
          hand={hand}
          isMain={!isAtEnd}
        />
      </View>
      {hasKeyboard() ? (
        <PlainText style={[styles.small, styles.keys, { color: inks.inkSoft, fontFamily: FONT }]}>
          {text.practice.drag}
        </PlainText>
      ) : null}
    </View>
  );
}

const HANDLE = handHandle();
const turn = (at: HTMLElement | null, deg: number): void => {
  if (at) at.style.transform = `rotate(${deg}deg)`;
};

function Layer({
  drawing,
  of,
}: {
  drawing: Parameters<typeof DrawingView>[0]['drawing'];
  of?: RefObject<HTMLElement | null>;
}) {
  return (
    <View ref={of as never} aria-hidden style={styles.layer}>
      <DrawingView drawing={drawing} label="" width="100%" height="100%" />
    </View>
  );
}

/** The bolt follows, and is heard and felt, past React: it is asked sixty times a second. */
function useFeeling(practice: PracticeRun, bolt: RefObject<HTMLElement | null>): void {
  const { me } = useSignedIn();
  const hands = useHands(me.person.id);
  useEffect(() => {
    let was: Felt['feel'] = null;
    let creakAt = 0;
    let toothAt = 0;
    turn(bolt.current, 0);
    return practice.felt.subscribe(({ feel }) => {
      turn(bolt.current, feel?.turnedDeg ?? 0);
      if (feel && was) {
        if (feel.hasClicked && !was.hasClicked) {
          if (hands.sound) workSound('click');
          if (hands.vibration) vibrate(35);
        }
        if (hands.sound && feel.isSlack && Math.abs(feel.handleDeg - toothAt) >= TOOTH_DEG) {
          if (feel.handleDeg < toothAt) workSound('tooth');
          toothAt = feel.handleDeg;
        }
        if (feel.torqueNm > CREAKS_FROM_NM && feel.turnedDeg - creakAt > CREAK_EVERY_DEG) {
          if (hands.sound) workSound('creak');
          if (hands.vibration) vibrate(8);
          creakAt = feel.turnedDeg;
        }
      } else [creakAt, toothAt] = [0, 0];
      was = feel;
    });
  }, [practice, bolt, hands.sound, hands.vibration]);
}

/** What the tool shows: a click wrench nothing but its click, the others their number. */
function Readout({ practice, due }: { practice: PracticeRun; due: PullNext }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const number = useRef<HTMLElement>(null);
  const below = useRef<HTMLElement>(null);
  const [clickedAt, setClickedAt] = useState<number | null>(null);
  const isAngle = due.task.action === 'angle';
  const isClick = !isAngle && due.tool.method === 'click';
  const unit = due.target?.unit ?? 'N.m';
  useEffect(() => {
    const show = ({ feel }: Felt): void => {
      const turned = format.turned(feel?.turnedDeg ?? 0);
      const torque = convert({ value: feel?.torqueNm ?? 0, unit: 'N.m' }, isAngle ? 'N.m' : unit);
      if (number.current)
        number.current.textContent = isAngle
          ? format.turned(Math.round(feel?.gaugeDeg ?? 0))
          : isClick
            ? turned
            : format.number(torque, 1);
      if (below.current)
        below.current.textContent = isAngle
          ? text.practice.gauge
          : isClick
            ? text.practice.turnedNow
            : text.practice.turned({ deg: turned });
      setClickedAt(feel?.hasClicked && isClick ? Math.round(feel.turnedDeg) : null);
    };
    show(practice.felt.getState());
    return practice.felt.subscribe(show);
  }, [practice, format, isAngle, isClick, unit]);
  return (
    <View style={styles.readout}>
      <PlainText
        ref={number as never}
        aria-hidden
        style={{
          fontFamily: MONO,
          fontSize: 38,
          lineHeight: 42,
          fontWeight: '700',
          color: inks.ink,
        }}
      >
        {null}
      </PlainText>
      {clickedAt === null ? (
        <PlainText
          ref={below as never}
          aria-hidden
          style={[styles.small, { color: inks.inkSoft, fontFamily: FONT }]}
        >
          {null}
        </PlainText>
      ) : null}
      <Text
        role="status"
        aria-live="assertive"
        style={[styles.small, { color: inks.brand, fontWeight: '700' }]}
      >
        {clickedAt === null ? '' : text.practice.clicked({ deg: format.turned(clickedAt) })}
      </Text>
    </View>
  );
}

/** A finger on it turns the handle, and never moves the page. */
const NO_SCROLL = { touchAction: 'none', userSelect: 'none', cursor: 'grab' } as never;

const styles = StyleSheet.create({
  stage: { flex: 1, minHeight: 0, padding: 8, gap: 8 },
  row: {
    flex: 1,
    minHeight: 0,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 8,
  },
  dial: { flexShrink: 1, flexGrow: 1, aspectRatio: 1, maxHeight: '100%', maxWidth: 460 },
  layer: { position: 'absolute', top: 0, left: 0, right: 0, bottom: 0 },
  side: { width: 152, gap: 6, alignItems: 'stretch' },
  readout: { gap: 0 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  buttons: {
    flexDirection: 'row',
    gap: 8,
    width: '100%',
    maxWidth: 600,
    alignSelf: 'center',
  },
  keys: { textAlign: 'center' },
  small: { fontSize: 14, lineHeight: 20 },
});
