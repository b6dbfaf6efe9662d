import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import {
  openTogether,
  type Outcome,
  type PayloadOf,
  type PullNext,
  type RunState,
} from '@stennet/core/run';
import { useSignedIn, type HeardWrench } from '@/data';
import { now } from '@/platform/clock';
import { useHands } from '@/platform/hands';
import { useKeys } from '@/platform/keys';
import { speak } from '@/platform/speech';
import { BigButton, useInks } from '@/ui';
import { answersTo, keysLine, type Answer } from '../answers';
import type { Acts } from '../hooks/useActs';
import { lineFor } from '../hooks/useHandsFree';
import { usePress } from '../hooks/usePress';
import { useSeenSheet } from '../hooks/useSeenSheet';
import { text } from '../text';
import { AskBack } from './AskBack';
import { AWAY_MS, AwayPanel } from './AwayPanel';
import { LivePull } from './LivePull';
import { PullHead, styles } from './PullHead';
import { WrenchLine } from './WrenchLine';
import { WrenchPanel } from './WrenchPanel';

interface Props {
  due: PullNext;
  state: RunState;
  acts: Acts;
  /** The digital wrench, where one is in use. */
  wrench: HeardWrench;
  onGoBack: () => void;
  onWrong: () => void;
  onReading: () => void;
  onTool: () => void;
}

export function PullPanel({
  due,
  state,
  acts,
  wrench,
  onGoBack,
  onWrong,
  onReading,
  onTool,
}: Props) {
  const { me, format } = useSignedIn();
  const hands = useHands(me.person.id);
  const seen = useSeenSheet(state.sheet);
  const step = state.events.length;
  const [wentOnAt, setWentOnAt] = useState<number | null>(null);
  const minutes = awayMinutes(state, due);
  const [asked, setAsked] = useState<{
    why: 'quick' | 'dry';
    outcome: Outcome;
    step: number;
  } | null>(null);
  const asking = asked?.step === step ? asked : null;
  const press = usePress(step);
  const mustRead = due.task.action === 'stretch';

  const say = (outcome: Outcome): void => {
    const how = press(true);
    if (how === 'ignore') return;
    if (how === 'askBack') setAsked({ why: 'quick', outcome, step });
    else if (due.mustTurn && outcome === 'heldStill') setAsked({ why: 'dry', outcome, step });
    else void acts.pull(due, outcome);
  };
  const sayAgain = (): void => speak(lineFor(seen, due, format));
  const answers = answersTo(due);
  const [main] = answers;
  const give = (a: Answer | undefined): void =>
    mustRead && a === main ? onReading() : a && say(a.outcome);
  const keys = Object.fromEntries(answers.flatMap((a) => a.keys.map((k) => [k, () => give(a)])));
  const together = byHandTogether(state, due);
  useKeys(
    wrench.link.pull
      ? {}
      : asking
        ? { Escape: () => setAsked(null) }
        : { ...keys, Backspace: onGoBack, w: onWrong, W: onWrong, s: sayAgain, S: sayAgain },
  );

  if (minutes !== null && wentOnAt !== step)
    return (
      <AwayPanel
        due={due}
        state={state}
        acts={acts}
        minutes={minutes}
        onGoOn={() => setWentOnAt(step)}
      />
    );
  if (wrench.link.pull)
    return (
      <WrenchPanel
        key={wrench.link.pull.id}
        due={due}
        state={state}
        acts={acts}
        wrench={wrench}
        pull={wrench.link.pull}
        onTool={onTool}
        onWrong={onWrong}
      />
    );
  if (asking)
    return (
      <AskBack
        due={due}
        asking={asking}
        onNo={() => setAsked(null)}
        onYes={(looked) => void acts.pull(due, asking.outcome, looked ? { looked: true } : {})}
        sheet={state.sheet}
      />
    );
  return (
    <View style={styles.panel}>
      <PullHead due={due} state={state} isHuge={hands.huge} />
      <LivePull due={due} link={wrench.link} sound={hands.sound} />
      <PullButtons
        due={due}
        answers={answers}
        mustRead={mustRead}
        together={together}
        onTogether={(said) => void acts.confirm('passConfirmed', { ...said, puller: me.person.id })}
        onGive={give}
        {...{ onGoBack, onReading, onTool, onWrong }}
      />
      {due.tool.method === 'digital' ? <WrenchLine due={due} wrench={wrench} /> : null}
      {wrench.link.thrown ? (
        <BigButton
          text={text.heard.bringBack({ value: format.quantity(wrench.link.thrown.peak).text })}
          look="quiet"
          onPress={wrench.restore}
        />
      ) : null}
      {hands.speech ? <BigButton text={text.sayAgain} look="quiet" onPress={sayAgain} /> : null}
      {together ? null : <KeysLine due={due} speaks={hands.speech} />}
    </View>
  );
}

interface ButtonProps extends Pick<Props, 'due' | 'onGoBack' | 'onReading' | 'onTool' | 'onWrong'> {
  answers: readonly Answer[];
  /** What is due is told by a reading alone. */
  mustRead: boolean;
  together: ReturnType<typeof byHandTogether>;
  onTogether: (said: NonNullable<ReturnType<typeof byHandTogether>>['said']) => void;
  onGive: (answer: Answer | undefined) => void;
}

function PullButtons(props: ButtonProps) {
  const { due, answers, mustRead, together, onTogether, onGive } = props;
  const { onGoBack, onReading, onTool, onWrong } = props;
  const isAngle = due.task.action === 'angle';
  const [main] = answers;
  const reads = !mustRead && ['dial', 'digital'].includes(due.tool.method);
  return (
    <>
      <View style={styles.row}>
        {together ? (
          <BigButton text={together.label} grow onPress={() => onTogether(together.said)} />
        ) : due.outcomes.length > 1 ? (
          answers.map((a) => (
            <BigButton
              key={a.outcome}
              text={a.label}
              {...(a.hint ? { hint: a.hint } : {})}
              look="plain"
              grow
              onPress={() => onGive(a)}
            />
          ))
        ) : (
          <BigButton
            text={mustRead ? text.reading : (main?.label ?? '')}
            grow
            onPress={() => onGive(main)}
          />
        )}
      </View>
      <View style={styles.row}>
        <BigButton text={text.goBack} look="quiet" grow onPress={onGoBack} />
        {together ? (
          <BigButton text={main?.label ?? ''} look="quiet" grow onPress={() => onGive(main)} />
        ) : null}
        {isAngle ? (
          <BigButton text={text.otherAngle} look="quiet" grow onPress={onReading} />
        ) : null}
        {!isAngle && reads ? (
          <BigButton text={text.reading} look="quiet" grow onPress={onReading} />
        ) : null}
        {!isAngle && due.tool.method === 'click' ? (
          <BigButton text={text.otherTool} look="quiet" grow onPress={onTool} />
        ) : null}
        <BigButton text={text.wrong} look="warn" grow onPress={onWrong} />
      </View>
    </>
  );
}

/** The answers that may be given for several at once. */
export const wordsOf = (due: PullNext): Answer[] =>
  answersTo(due).filter((a) => a.outcome !== 'noClick');

/** What needs no tool is asked once for all of them, not fastener by fastener. */
function byHandTogether(
  state: RunState,
  due: PullNext,
): { label: string; said: Omit<PayloadOf<'passConfirmed'>, 'puller'> } | null {
  const { action, stage } = due.task;
  const open = openTogether(state);
  if (
    (action !== 'handStart' && action !== 'runDown') ||
    due.task.part ||
    open.length < 2 ||
    !maySeveral(state, due)
  )
    return null;
  const label =
    action === 'handStart'
      ? text.allByHand({ n: open.length })
      : text.allRunDown({ n: open.length });
  return { label, said: { stage: stage.id, pass: due.pass, fasteners: open, outcome: 'done' } };
}

/** Never by angle, never half-way through one, and not for one that goes its own way. */
export const maySeveral = (state: RunState, due: PullNext): boolean =>
  !['angle', 'stretch'].includes(due.task.action) &&
  !due.task.part &&
  due.stageIndex === state.progress.stage &&
  openTogether(state).length > 1 &&
  due.reason !== 'replacementCatchesUp';

/**
 * How long ago the last of this angle stage was, where that is long; the first of a stage is no
 * middle.
 */
function awayMinutes(state: RunState, due: PullNext): number | null {
  const isMiddle = due.task.action === 'angle' && Object.keys(state.progress.inPass).length > 0;
  const last = state.effective.toArray().findLast((c) => c.event.type === 'pulled')?.event;
  const ms = last ? now().getTime() - Date.parse(last.deviceTime) : 0;
  return isMiddle && ms > AWAY_MS ? Math.floor(ms / 60_000) : null;
}

function KeysLine({ due, speaks }: { due: PullNext; speaks: boolean }) {
  const inks = useInks();
  if (!window.matchMedia('(hover: hover) and (pointer: fine)').matches) return null;
  return (
    <Text style={{ fontSize: 14, lineHeight: 20, color: inks.inkSoft }}>
      {[keysLine(due), text.keys.more, ...(speaks ? [text.keys.say] : [])].join(' · ')}
    </Text>
  );
}
