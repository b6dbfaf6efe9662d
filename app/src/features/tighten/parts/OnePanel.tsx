import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import {
  OUTCOME_TEXT,
  runRecord,
  type RecordedFastener,
  type RecordedPull,
} from '@stennet/core/record';
import { fastenerId, type Next, type PayloadOf, type RunEvent } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import type { RunView } from '@/data/runStore';
import { BigButton, Chip } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { useRunPlace } from '../hooks/useRunPlace';
import { fastenerName, text } from '../text';
import { BesidesPanel } from './BesidesPanel';
import { LeadWord } from './LeadWord';
import { PanelBody, PanelTitle } from './PanelText';
import { CorrectButtons, OtherAngleForm } from './CorrectButtons';

interface Props {
  view: RunView;
  due: Next;
  acts: Acts;
  /** null: asked from the list. */
  seat: string | null;
  onSeat: (seat: string | null) => void;
}

/**
 * “Did I do this one?”: everything that happened to a fastener, and what can still be corrected.
 */
export function OnePanel({ view, due, acts, seat, onSeat }: Props) {
  const { sheet, progress } = view.state;
  if (seat === null || !progress.seats[seat]) {
    return (
      <View style={styles.panel}>
        <PanelTitle>{text.which}</PanelTitle>
        <PanelBody>{text.whichText}</PanelBody>
        <View style={styles.chips} role="group" aria-label={text.which}>
          {sheet.seats.map((s) => (
            <Chip
              key={s.id}
              size="hand"
              role="radio"
              text={fastenerName(
                view.state.sheet,
                fastenerId(s.id, progress.seats[s.id]?.life ?? 1),
              )}
              on={false}
              onPress={() => onSeat(s.id)}
            />
          ))}
        </View>
      </View>
    );
  }
  return <One key={seat} view={view} due={due} acts={acts} seat={seat} />;
}

type Asking = null | 'correct' | 'reading' | 'besides' | 'leaveOut';

function One({ view, due, acts, seat: id }: Omit<Props, 'seat' | 'onSeat'> & { seat: string }) {
  const [asking, setAsking] = useState<Asking>(null);
  const { state } = view;
  const seat = state.progress.seats[id];
  const fastener = fastenerId(id, seat?.life ?? 1);
  const lives = livesOf(view, id);
  const last = lives.at(-1)?.pulls.findLast((p) => !p.undone);
  const event = last && state.events.toArray().find((e) => e.id === last.event);
  const isOpen = due.kind !== 'done' && due.kind !== 'hold' && !seat?.leftOut;
  const close = (): void => setAsking(null);
  if (asking === 'leaveOut')
    return (
      <LeadWord
        acts={acts}
        title={text.leaveOut}
        words={[{ label: text.leadSay, say: { kind: 'leaveOut', fastener } }]}
        onCancel={close}
      />
    );
  if (asking === 'besides')
    return <BesidesPanel fasteners={[fastener]} state={state} acts={acts} onClose={close} />;
  if (event?.type === 'pulled' && (asking === 'correct' || asking === 'reading')) {
    const pull = { ...event.payload, id: event.id };
    return (
      <Correct
        pull={pull}
        view={view}
        acts={acts}
        isReading={asking === 'reading'}
        onReading={() => setAsking('reading')}
        onClose={close}
      />
    );
  }
  const mayAgain =
    due.kind === 'pull' &&
    due.task.action !== 'angle' &&
    !due.task.part &&
    state.progress.inPass[id] !== undefined;
  return (
    <View style={styles.panel}>
      <History view={view} due={due} seat={id} lives={lives} />
      {isOpen && isPull(event) ? (
        <BigButton text={text.correct} look="plain" onPress={() => setAsking('correct')} />
      ) : null}
      {mayAgain ? (
        <BigButton
          text={text.pullAgain}
          look="quiet"
          onPress={() =>
            void acts.pull(due, due.outcomes[0] ?? 'clicked', { fastener, again: true })
          }
        />
      ) : null}
      {isOpen && seat?.fitted && due.kind !== 'fit' ? (
        <BigButton text={text.besides} look="quiet" onPress={() => setAsking('besides')} />
      ) : null}
      {isOpen ? (
        <BigButton text={text.leaveOut} look="quiet" onPress={() => setAsking('leaveOut')} />
      ) : null}
    </View>
  );
}

/** For who only looks on: what happened to it, and nothing to press. */
export function OneSeen({ view, due, seat }: Pick<Props, 'view' | 'due'> & { seat: string }) {
  return (
    <View style={styles.panel}>
      <History view={view} due={due} seat={seat} lives={livesOf(view, seat)} />
    </View>
  );
}

const livesOf = ({ kept, state }: RunView, seat: string): RecordedFastener[] =>
  runRecord(kept.sheet, state.events).fasteners.filter((f) => f.seat === seat);

function History({
  view,
  due,
  seat,
  lives,
}: Pick<Props, 'view' | 'due'> & { seat: string; lives: readonly RecordedFastener[] }) {
  return (
    <>
      <PanelTitle>
        {text.oneTitle({
          bolt: fastenerName(
            view.state.sheet,
            fastenerId(seat, view.state.progress.seats[seat]?.life ?? 1),
          ),
        })}
      </PanelTitle>
      <Standing view={view} due={due} seat={seat} />
      {lives.flatMap((f) =>
        f.pulls.map((p) => <PullLine key={p.event} pull={p} view={view} isOld={f.replaced} />),
      )}
    </>
  );
}

const isPull = (event: RunEvent | undefined): boolean => event?.type === 'pulled';

function Standing({ view, due, seat: id }: { view: RunView; due: Next; seat: string }) {
  const place = useRunPlace();
  const { progress, instance } = view.state;
  const seat = progress.seats[id];
  const runs = place.joints.find((t) => t.id === place.joint)?.runs ?? [];
  const bag = runs
    .filter((r) => r.instance === instance)
    .flatMap((r) => r.standing.bags)
    .find((b) => b.fasteners.includes(id));
  const words = seat?.leftOut
    ? text.isOut
    : due.kind === 'pull' && due.seat === id
      ? text.isDue
      : progress.inPass[id]
        ? text.isDone
        : text.isOpen;
  return (
    <>
      <PanelBody strong>{words}</PanelBody>
      {bag ? <PanelBody>{text.from({ bag: bag.bag })}</PanelBody> : null}
    </>
  );
}

function PullLine({ pull, view, isOld }: { pull: RecordedPull; view: RunView; isOld: boolean }) {
  const { format } = useSignedIn();
  const stage = view.state.sheet.stages.find((s) => s.id === pull.stage)?.name ?? pull.stage;
  const result = pull.reading ? format.quantity(pull.reading).text : OUTCOME_TEXT[pull.outcome];
  const words = [
    stage,
    pull.pass > 1 ? text.round({ n: pull.pass }) : '',
    result,
    pull.undone ? text.takenBack : '',
    isOld ? text.oldOne : '',
  ]
    .filter(Boolean)
    .join(' · ');
  return (
    <View>
      <PanelBody strong={!pull.undone && !isOld}>{words}</PanelBody>
      <PanelBody>
        {[format.time(new Date(pull.deviceTime)), view.kept.people[pull.person]]
          .filter(Boolean)
          .join(', ')}
      </PanelBody>
    </View>
  );
}

interface CorrectProps {
  pull: PayloadOf<'pulled'> & { id: string };
  view: RunView;
  acts: Acts;
  isReading: boolean;
  onReading: () => void;
  onClose: () => void;
}

/** An earlier pull corrected: not turned, another angle, or the other answer. */
function Correct({ pull, view, acts, isReading, onReading, onClose }: CorrectProps) {
  const stage = view.state.sheet.stages.find((s) => s.id === pull.stage);
  if (isReading) return <OtherAngleForm pull={pull} acts={acts} onCancel={onClose} />;
  return (
    <View style={styles.panel}>
      <PanelTitle>{text.correctTitle}</PanelTitle>
      <PanelBody>{`${fastenerName(view.state.sheet, pull.fastener)}, ${stage?.name ?? ''}`}</PanelBody>
      <BigButton
        text={text.notTurned}
        look="plain"
        onPress={() =>
          void acts.confirm('corrected', {
            event: pull.id,
            outcome: 'notTurned',
            verdict: 'notJudged',
          })
        }
      />
      <CorrectButtons pull={pull} stage={stage} acts={acts} onReading={onReading} />
      <BigButton text={text.keep} look="quiet" onPress={onClose} />
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { gap: 12 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
});
