import { memo, useState } from 'react';
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
import { hasKeyboard, useKeys } from '@/platform/keys';
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
import { PullButtons } from './PullButtons';
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
  const give = (outcome: Outcome): void =>
    mustRead && outcome === main?.outcome ? onReading() : say(outcome);
  const keys = Object.fromEntries(
    answers.flatMap((a) => a.keys.map((k) => [k, () => give(a.outcome)])),
  );
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
        together={together?.label ?? null}
        onTogether={() =>
          together && void acts.confirm('passConfirmed', { ...together.said, puller: me.person.id })
        }
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
      {!together && hasKeyboard() ? <KeysLine line={keysText(answers, hands.speech)} /> : null}
    </View>
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

const KeysLine = memo(function KeysLine({ line }: { line: string }) {
  const inks = useInks();
  return <Text style={{ fontSize: 14, lineHeight: 20, color: inks.inkSoft }}>{line}</Text>;
});

const keysText = (answers: readonly Answer[], speaks: boolean): string =>
  [keysLine(answers), text.keys.more, ...(speaks ? [text.keys.say] : [])].join(' · ');
