import { textAt } from '@stennet/core/language';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { TAKE_APART } from '@stennet/core/procedure';
import { CORE_VERSION, explain, type Next, type RunState, type Way } from '@stennet/core/run';
import { BenchLink, BigButton, stillLabel } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { useRunPlace } from '../hooks/useRunPlace';
import { releaseWords } from '../say';
import { fastenerName, text } from '../text';
import { Broken } from './Broken';
import { LeadWord } from './LeadWord';
import { PanelBody, PanelTitle } from './PanelText';
import { StripeForm } from './StripeForm';

type Hold = Extract<Next, { kind: 'hold' }>;

/** What stops the run, and every way out of it that is open; each is one confirmation. */
export function HoldPanel({
  due,
  state,
  acts,
  onGoBack,
}: {
  due: Hold;
  state: RunState;
  acts: Acts;
  onGoBack: () => void;
}) {
  const [finding, setFinding] = useState('');
  const [reading, setReading] = useState(false);
  const [asking, setAsking] = useState(false);
  const take = takeWay(due, state, acts, finding);
  const { joint, practice } = useRunPlace();
  const page = BENCH_PAGE[due.hold.kind];
  if (reading)
    return (
      <StripeForm
        state={state}
        fastener={due.fastener ?? ''}
        stage={due.stage.id}
        onRead={(value) => readStripe(due, state, acts, value)}
        onCancel={() => setReading(false)}
      />
    );
  const words = due.ways.includes('statement') ? releaseWords(due) : [];
  if (asking)
    return (
      <LeadWord
        acts={acts}
        title={titleOf(due, state)}
        words={words}
        onCancel={() => setAsking(false)}
      />
    );
  const ways = due.ways.filter((w) => textAt(text.way, w));
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>{titleOf(due, state)}</PanelTitle>
      <PanelBody>{bodyOf(due, state)}</PanelBody>
      {due.hold.kind === 'failed' ? (
        <Broken hold={due.hold} fastener={due.fastener ?? ''} state={state} acts={acts} />
      ) : null}
      {due.ways.includes('pending') ? (
        <TextInput
          theme={stillLabel}
          mode="outlined"
          label={text.findingLabel}
          accessibilityLabel={text.findingLabel}
          value={finding}
          onChangeText={setFinding}
          maxLength={400}
        />
      ) : null}
      {ways.map((way) => (
        <BigButton
          key={way}
          text={wordOf(way, due, state)}
          look={way === 'pending' || way === 'failed' ? 'warn' : 'plain'}
          onPress={() => (way === 'readStripe' ? setReading(true) : take(way))}
        />
      ))}
      {due.ways.includes('statement') && ways.length === 0 ? (
        <PanelBody>{text.leadOnly}</PanelBody>
      ) : null}
      {words.length > 0 ? (
        <BigButton
          text={state.part === TAKE_APART ? text.leftIn : text.askLead}
          look="plain"
          onPress={() => setAsking(true)}
        />
      ) : null}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
      {page && !practice ? <BenchLink joint={joint} page={page} size="hand" /> : null}
    </View>
  );
}

/** What the bench can show about it. */
const BENCH_PAGE: Partial<Record<Hold['hold']['kind'], 'clamp' | 'pulls'>> = {
  failed: 'clamp',
  refused: 'clamp',
  notSettled: 'pulls',
};

function titleOf({ hold, fastener, stage }: Hold, { sheet }: RunState): string {
  if (hold.kind === 'failed')
    return text.holdFailed({
      bolt: fastener ? fastenerName(sheet, fastener) : '',
      what: text.failures[hold.failure],
    });
  if (hold.kind === 'named') return `${text.holdTitles.named}: ${stage.name}`;
  return hold.kind === 'notSettled' ? text.notSettledTitle : (text.holdTitles[hold.kind] ?? '');
}

function bodyOf(due: Hold, state: RunState): string {
  const { hold } = due;
  if (hold.kind === 'failed') return text.holdText[hold.failure];
  if (hold.kind === 'notSettled')
    return text.notSettled({ bolts: hold.moved.join(', '), n: state.progress.pass });
  if (hold.kind === 'named')
    return `${due.stage.note ? `${due.stage.note} ` : ''}${text.namedBody}`;
  return `${explain(state.sheet, due)}${due.stage.note ? ` ${due.stage.note}` : ''}`;
}

/**
 * The same way out in the words of the work: what is taken apart comes out, what is tightened goes
 * in.
 */
function wordOf(way: Way, due: Hold, state: RunState): string {
  if (way === 'again' && state.part === TAKE_APART) return text.apartAgain;
  if (way === 'restart' && due.hold.kind === 'failed') return text.restartBroken;
  return textAt(text.way, way) ?? '';
}

function takeWay(due: Hold, state: RunState, acts: Acts, finding: string): (way: Way) => void {
  const fastener = due.fastener ?? '';
  const said = finding.trim() ? { finding: finding.trim() } : {};
  const key =
    due.hold.kind === 'claim'
      ? due.hold.claim.event
      : due.hold.kind === 'refused'
        ? due.hold.deviation.event
        : due.stage.id;
  const about = due.hold.kind === 'notCovered' ? { fastener: due.hold.fastener } : {};
  const held =
    (
      decision:
        'passed' | 'failed' | 'pendingLead' | 'reallyDone' | 'redone' | 'notDone' | 'turnOn',
    ) =>
    (): void =>
      void acts.confirm('held', { hold: key, decision, ...said, ...about });
  const does: Partial<Record<Way, () => void>> = {
    passed: held('passed'),
    failed: held('failed'),
    pending: held('pendingLead'),
    reallyDone: held('reallyDone'),
    redone: held('redone'),
    notDone: held('notDone'),
    turnOn: held('turnOn'),
    replace: () =>
      void acts.confirm('swapped', {
        fastener,
        replacement: due.replacement ?? '',
        condition: 'new',
      }),
    redo: () => void acts.confirm('restarted', { fastener, slackened: true }),
    restart: () =>
      void acts.confirm('restarted', { stage: due.restart ?? due.stage.id, slackened: true }),
    again: () =>
      void acts.confirm('pulled', { ...pulledHere(due, state), outcome: 'done', method: 'byHand' }),
  };
  return (way) => does[way]?.();
}

const pulledHere = (due: Hold, state: RunState) => ({
  fastener: due.fastener ?? '',
  stage: due.stage.id,
  pass: state.progress.pass,
  verdict: 'inTolerance' as const,
  core: CORE_VERSION,
});

function readStripe(due: Hold, state: RunState, acts: Acts, value: number): void {
  void acts.confirm('pulled', {
    ...pulledHere(due, state),
    outcome: 'reached',
    method: 'stripe',
    stripeDeg: value,
  });
}
