import { textAt } from '@stennet/core/language';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import { TAKE_APART } from '@stennet/core/procedure';
import type { Next, RunState } from '@stennet/core/run';
import { useRouter } from 'expo-router';
import { useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { useKeys } from '@/platform/keys';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { nextUp } from '../nextUp';
import { useRunPlace } from '../hooks/useRunPlace';
import { usePress } from '../hooks/usePress';
import { lastLine, nextLine, wrenchName } from '../say';
import { text } from '../text';
import { BigValue, PanelBody, PanelTitle } from './PanelText';

export interface StepProps<K extends Next['kind']> {
  due: Extract<Next, { kind: K }>;
  state: RunState;
  acts: Acts;
  onGoBack: () => void;
}

/** One thing to read and one large button to say that it is so. */
export function Step({
  title,
  children,
  yes,
  onYes,
  state,
  second,
}: {
  title: string;
  children?: ReactNode;
  yes: string;
  onYes: () => void;
  state: RunState;
  second?: ReactNode;
}) {
  const press = usePress(state.events.length);
  const take = (): void => {
    if (press(false) === 'take') onYes();
  };
  useKeys({ Enter: take, ' ': take, PageDown: take });
  return (
    <View style={styles.panel}>
      <PanelTitle>{title}</PanelTitle>
      {children}
      <BigButton text={yes} onPress={take} />
      {second}
    </View>
  );
}

export function SetToolPanel({
  due,
  state,
  acts,
  onGoBack,
  onTool,
}: StepProps<'setTool'> & { onTool: () => void }) {
  const { format } = useSignedIn();
  const isAngle = due.task.action === 'angle';
  const value = format.inHand(due.setting);
  const publishedText = format.published(due.target);
  const reason = textAt(text.reasons, due.reason);
  return (
    <Step
      title={isAngle ? text.setAngle : text.setTorque}
      yes={isAngle ? text.angleYes({ angle: publishedText }) : text.setYes}
      onYes={() =>
        void acts.confirm('wrenchSet', {
          stage: due.stage.id,
          ...(due.task.part ? { part: due.task.part.id } : {}),
          setting: due.setting,
        })
      }
      state={state}
      second={
        <View style={styles.row}>
          <BigButton text={text.goBack} look="quiet" grow onPress={onGoBack} />
          <BigButton text={text.otherTool} look="quiet" grow onPress={onTool} />
        </View>
      }
    >
      <BigValue number={isAngle ? `+${value.number}` : value.number} unit={value.unit} />
      <PanelBody>
        {isAngle
          ? text.setAngleText
          : `${due.tool.wrench ? text.on({ tool: wrenchName(due.tool.wrench) }) : ''} · ${text.published({ value: publishedText })}`}
        {reason ? ` · ${reason}` : ''}
      </PanelBody>
    </Step>
  );
}

export function MarkPanel({ due, state, acts, onGoBack }: StepProps<'mark'>) {
  return (
    <Step
      title={text.markTitle}
      yes={text.markYes({ count: due.fasteners.length })}
      state={state}
      onYes={() => void acts.confirm('stepDone', { step: 'mark', fasteners: [...due.fasteners] })}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>{text.mark}</PanelBody>
    </Step>
  );
}

export function ResumePanel({ state, acts, after }: { state: RunState; acts: Acts; after: Next }) {
  const { format } = useSignedIn();
  const paused = state.events.at(-1);
  const last = lastLine(state.sheet, state.effective.at(-1)?.event);
  const coming = nextLine(state.sheet, format, after);
  return (
    <Step
      title={text.pausedTitle}
      yes={text.carryOn}
      onYes={() => void acts.confirm('resumed', {})}
      state={state}
    >
      <PanelBody>
        {[
          paused ? text.pausedAgo({ ago: format.ago(new Date(paused.deviceTime), now()) }) : '',
          last ? text.last({ what: last }) : '',
          coming ? text.nextUp({ what: coming }) : '',
        ].join(' ')}
      </PanelBody>
    </Step>
  );
}

export function FinishPanel({
  state,
  acts,
  onGoBack,
}: {
  state: RunState;
  acts: Acts;
  onGoBack: () => void;
}) {
  const isApart = state.part === TAKE_APART;
  return (
    <Step
      title={isApart ? text.apartFinishTitle : text.finishTitle}
      yes={isApart ? text.apartFinishYes : text.finishYes}
      onYes={() => void acts.confirm('finished', {})}
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>
        {(isApart ? text.apartFinish : text.finish)({ count: state.progress.deviations.length })}
      </PanelBody>
    </Step>
  );
}

/**
 * What the work goes on with: the companion, the next cap or bank with what the crank must do, else
 * the next joint of the job.
 */
function NextUp({ state }: { state: RunState }) {
  const router = useRouter();
  const place = useRunPlace();
  const next = nextUp(place.joints, place.joint, state);
  if (!next) return null;
  const to = (): void =>
    router.navigate({
      pathname: '/joints/[joint]',
      params: { joint: next.joint, ...(next.instance ? { of: next.instance } : {}) },
    });
  return (
    <BigButton
      text={
        next.crankDeg === null
          ? text.nextCap({ name: next.name })
          : text.nextCrank({ name: next.name, deg: `${next.crankDeg}°` })
      }
      look="plain"
      onPress={to}
    />
  );
}

export function DonePanel({ run, order, state }: { run: string; order: string; state: RunState }) {
  const { part } = state;
  const isApart = part === TAKE_APART;
  const router = useRouter();
  const { practice } = useRunPlace();
  if (practice)
    return (
      <View style={styles.panel}>
        <PanelTitle>{text.practice.doneTitle}</PanelTitle>
        <PanelBody>{text.practice.done}</PanelBody>
        <BigButton
          text={text.practice.seeResult}
          onPress={() => router.replace(`/practice/${run}/result`)}
        />
      </View>
    );
  return (
    <View style={styles.panel}>
      <PanelTitle>{text.doneTitle}</PanelTitle>
      <PanelBody>{isApart ? text.apartDone : text.done}</PanelBody>
      <NextUp state={state} />
      <BigButton
        text={isApart ? text.apartRecord : text.seeRecord}
        onPress={() => router.navigate(`/runs/${run}/record`)}
      />
      <BigButton
        text={text.back}
        look="quiet"
        onPress={() => router.navigate(`/orders/${order}`)}
      />
    </View>
  );
}

/** Someone else's run, or a role that only looks. */
export function WatchPanel({
  state,
  people,
  device,
  line,
  onTakeOver,
  error,
}: {
  state: RunState;
  people: Readonly<Record<string, string>>;
  device: string;
  /** What comes next there, in words. */
  line: string | null;
  onTakeOver: () => void;
  error: string | null;
}) {
  const { me } = useSignedIn();
  const mayWrite = isAllowed(me.role, 'run.write');
  return (
    <View style={styles.panel}>
      <PanelTitle>
        {text.elsewhere({ person: people[state.holder?.person ?? ''] ?? '', device })}
      </PanelTitle>
      {line ? (
        <View role="status" aria-live="polite">
          <PanelBody strong>{text.nextThere({ line })}</PanelBody>
        </View>
      ) : null}
      <PanelBody>
        {mayWrite
          ? text.elsewhereText
          : me.role === 'apprentice'
            ? text.readOnlyApprentice
            : text.readOnly}
      </PanelBody>
      {error ? (
        <View role="alert">
          <PanelBody>{error}</PanelBody>
        </View>
      ) : null}
      {mayWrite ? <BigButton text={text.takeOver} look="warn" onPress={onTakeOver} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({ panel: { gap: 12 }, row: { flexDirection: 'row', gap: 12 } });
