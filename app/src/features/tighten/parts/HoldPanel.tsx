import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { AppError } from '@stennet/core/errors';
import { groupOfSeat } from '@stennet/core/procedure';
import { brokenSizes, threadOf, type BrokenSizes } from '@stennet/core/thread';
import { CORE_VERSION, explain, seatIdOf, type Next, type RunState, type Way } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { releaseWords } from '../say';
import { boltName, text } from '../text';
import { LeadWord } from './LeadWord';
import { PanelBody, PanelTitle } from './PanelText';
import { ReadingForm } from './ReadingForm';

type Hold = Extract<Next, { kind: 'hold' }>;

/** What stops the run, and every way out of it that is open; each is one confirmation. */
export function HoldPanel({ due, state, acts, onGoBack }: { due: Hold; state: RunState; acts: Acts; onGoBack: () => void }) {
  const [finding, setFinding] = useState('');
  const [reading, setReading] = useState(false);
  const [asking, setAsking] = useState(false);
  const take = takeWay(due, state, acts, finding);
  if (reading)
    return <ReadingForm title={text.stripeRead} label={text.angleLabel} hint="" onRecord={(value) => readStripe(due, state, acts, value)} onCancel={() => setReading(false)} />;
  const words = due.ways.includes('statement') ? releaseWords(due) : [];
  if (asking) return <LeadWord acts={acts} title={titleOf(due)} words={words} onCancel={() => setAsking(false)} />;
  const ways = due.ways.filter((w) => text.way[w]);
  return (
    <View role="alert" style={{ gap: 12 }}>
      <PanelTitle>{titleOf(due)}</PanelTitle>
      <PanelBody>{bodyOf(due, state)}</PanelBody>
      {due.hold.kind === 'failed' && due.hold.failure === 'broke' ? <Sizes state={state} fastener={due.fastener ?? ''} /> : null}
      {due.hold.kind === 'failed' && due.hold.rung ? <Ladder rung={due.hold.rung} state={state} acts={acts} /> : null}
      {due.ways.includes('pending') ? (
        <TextInput mode="outlined" label={text.findingLabel} accessibilityLabel={text.findingLabel} value={finding} onChangeText={setFinding} maxLength={400} />
      ) : null}
      {ways.map((way) => (
        <BigButton
          key={way}
          text={text.way[way] ?? ''}
          look={way === 'pending' || way === 'failed' ? 'warn' : 'plain'}
          onPress={() => (way === 'readStripe' ? setReading(true) : take(way))}
        />
      ))}
      {due.ways.includes('statement') && ways.length === 0 ? <PanelBody>{text.leadOnly}</PanelBody> : null}
      {words.length > 0 ? <BigButton text={text.askLead} look="plain" onPress={() => setAsking(true)} /> : null}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

function titleOf({ hold, fastener, stage }: Hold): string {
  if (hold.kind === 'failed') return text.holdFailed(boltName(fastener ?? ''), text.failures[hold.failure]);
  if (hold.kind === 'named') return `${text.holdTitles.named}: ${stage.name}`;
  return hold.kind === 'notSettled' ? text.notSettledTitle : (text.holdTitles[hold.kind] ?? '');
}

function bodyOf(due: Hold, state: RunState): string {
  const { hold } = due;
  if (hold.kind === 'failed') return text.holdText[hold.failure];
  if (hold.kind === 'notSettled') return text.notSettled(hold.moved.join(', '), state.progress.pass);
  if (hold.kind === 'named') return `${due.stage.note ? `${due.stage.note} ` : ''}${text.namedBody}`;
  return `${explain(due)}${due.stage.note ? ` ${due.stage.note}` : ''}`;
}

function takeWay(due: Hold, state: RunState, acts: Acts, finding: string): (way: Way) => void {
  const fastener = due.fastener ?? '';
  const said = finding.trim() ? { finding: finding.trim() } : {};
  const key = due.hold.kind === 'claim' ? due.hold.claim.event : due.stage.id;
  const held = (decision: 'passed' | 'failed' | 'pendingLead' | 'reallyDone' | 'redone' | 'notDone') => (): void => void acts.confirm('held', { hold: key, decision, ...said });
  const does: Partial<Record<Way, () => void>> = {
    passed: held('passed'),
    failed: held('failed'),
    pending: held('pendingLead'),
    reallyDone: held('reallyDone'),
    redone: held('redone'),
    notDone: held('notDone'),
    replace: () => void acts.confirm('swapped', { fastener, replacement: due.replacement ?? '', condition: 'new' }),
    redo: () => void acts.confirm('restarted', { fastener, slackened: true }),
    restart: () => void acts.confirm('restarted', { stage: due.restart ?? due.stage.id, slackened: true }),
    again: () => void acts.confirm('pulled', { ...pulledHere(due, state), outcome: 'done', method: 'byHand' }),
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
  void acts.confirm('pulled', { ...pulledHere(due, state), outcome: 'reached', method: 'stripe', reading: { value, unit: 'deg' } });
}

/** Drills for what is left of it, and where each has to stop. */
function Sizes({ state, fastener }: { state: RunState; fastener: string }) {
  const { format } = useSignedIn();
  const { thread, lengthMm, gripLengthMm } = groupOfSeat(state.sheet, seatIdOf(fastener));
  const sizes = sizesOf(thread.designation, thread.pitchMm, lengthMm, gripLengthMm);
  if (!sizes) return null;
  const mm = (value: number): string => format.quantity({ value, unit: 'mm' }).text;
  const lines = [
    text.brokenDrills(mm(sizes.centreMm), mm(sizes.extractorMm), mm(sizes.largestMm)),
    sizes.stopMm === null ? text.brokenNoStop : text.brokenStop(mm(sizes.stopMm)),
    text.brokenTap(mm(sizes.tapDrillMm), sizes.next ? text.brokenNext(sizes.next.designation, mm(sizes.next.tapDrillMm)) : ''),
  ];
  return (
    <View style={{ gap: 4 }}>
      {lines.map((line) => (
        <PanelBody key={line}>{line}</PanelBody>
      ))}
    </View>
  );
}

function sizesOf(designation: string, pitchMm: number, lengthMm: number | undefined, gripMm: number | undefined): BrokenSizes | null {
  try {
    return brokenSizes(threadOf(designation, pitchMm), lengthMm, gripMm);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}

/** What the sheet says to try, rung by rung. */
function Ladder({ rung, state, acts }: { rung: string; state: RunState; acts: Acts }) {
  const step = state.sheet.steps.find((s) => s.id === rung);
  const say = (answer: string) => (): void => void acts.confirm('stepDone', { step: rung, answer });
  return (
    <View style={{ gap: 8 }}>
      <PanelBody>{step?.text ?? ''}</PanelBody>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <BigButton text={text.rungWorked} look="plain" grow onPress={say('worked')} />
        <BigButton text={text.rungDidNot} look="plain" grow onPress={say('didNot')} />
        <BigButton text={text.rungStop} look="warn" grow onPress={say('stop')} />
      </View>
    </View>
  );
}
