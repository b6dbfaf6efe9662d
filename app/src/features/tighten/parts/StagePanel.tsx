import { useState } from 'react';
import { View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { crankHeldBy } from '@stennet/core/prepare';
import { units } from '@stennet/core/quantity';
import { explain, type Next } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { stageWords } from '@stennet/core/procedure';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { useRunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { ReadingForm } from './ReadingForm';
import { Step, type StepProps } from './StepPanel';

/** A range is published: one value for the whole joint. */
export function ChooseValuePanel({
  due,
  acts,
  onGoBack,
}: {
  due: Extract<Next, { kind: 'chooseValue' }>;
  acts: Acts;
  onGoBack: () => void;
}) {
  const { format } = useSignedIn();
  const stage = due.part
    ? { ...due.stage, ...due.part, id: due.stage.id, name: due.stage.name, fallback: undefined }
    : due.stage;
  const of = { stage: due.stage.id, ...(due.part ? { part: due.part.id } : {}) };
  const unit = stage.target?.unit ?? 'N.m';
  const choose = (value: number): void =>
    void acts.confirm('valueChosen', { ...of, value: { value, unit } });
  const { fallback } = stage;
  if (fallback && 'value' in fallback && stage.target && 'value' in stage.target) {
    const { target } = stage;
    return (
      <>
        <PanelBody>{text.valueTitle({ stage: stage.name })}</PanelBody>
        <BigButton
          text={format.published(target)}
          look="plain"
          onPress={() => choose(target.value)}
        />
        <BigButton
          text={format.published(fallback)}
          look="plain"
          onPress={() => void acts.confirm('valueChosen', { ...of, value: fallback })}
        />
        <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
      </>
    );
  }
  const { target } = stage;
  const recommended = target && 'min' in target ? target.recommended : undefined;
  return (
    <ReadingForm
      title={text.valueTitle({ stage: stage.name })}
      hint={stageWords(stage, format)}
      {...(recommended === undefined ? {} : { offered: { value: recommended, unit } })}
      label={text.valueLabel({ unit: units[unit].symbol })}
      onRecord={choose}
      onCancel={onGoBack}
    />
  );
}

/** Round after round by part-turns, or drawn on to a gap. */
export function RoundPanel({ due, acts, state, onGoBack }: StepProps<'round'>) {
  const [measuring, setMeasuring] = useState(false);
  const { stage, round } = due;
  const { target } = stage;
  if (measuring && target) {
    return (
      <ReadingForm
        title={stage.name}
        hint=""
        label={text.measureLabel({ row: text.measured, unit: units[target.unit].symbol })}
        expected={'value' in target ? target : null}
        onRecord={(value, unit = target.unit) =>
          void acts.confirm('roundDone', {
            stage: stage.id,
            round,
            seated: true,
            gap: { value, unit },
          })
        }
        onCancel={() => setMeasuring(false)}
      />
    );
  }
  const say = (seated: boolean) => (): void =>
    seated && target
      ? setMeasuring(true)
      : void acts.confirm('roundDone', { stage: stage.id, round, seated });
  return (
    <Step
      title={text.roundTitle({ n: round, stage: stage.name })}
      yes={text.roundNot}
      onYes={say(false)}
      state={state}
      second={
        <>
          <BigButton text={text.roundSeated} look="plain" onPress={say(true)} />
          <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
        </>
      }
    >
      <PanelBody>{explain(state.sheet, due)}</PanelBody>
    </Step>
  );
}

export function WaitPanel({ due, acts, state, onGoBack }: StepProps<'wait' | 'waitClock'>) {
  const { format } = useSignedIn();
  const until = due.kind === 'wait' ? due.until : due.running.limitAt;
  const place = due.kind === 'wait' ? { stage: due.stage.id } : { clock: due.running.clock.id };
  if (due.kind === 'wait' && !until) {
    return (
      <ReadingForm
        title={due.stage.name}
        hint=""
        label={text.temperatureLabel}
        onRecord={(celsius) => void acts.confirm('waited', { ...place, celsius })}
        onCancel={onGoBack}
      />
    );
  }
  return (
    <Step
      title={text.waitTitle}
      yes={text.waitYes}
      onYes={() => void acts.confirm('waited', place)}
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>{`${explain(state.sheet, due)} ${until ? text.waitUntil({ time: format.time(new Date(until)) }) : ''}`}</PanelBody>
    </Step>
  );
}

export function CrankPanel({ due, acts, state, onGoBack }: StepProps<'turnCrank'>) {
  const place = useRunPlace();
  const held = crankHeldBy(
    state.sheet,
    state,
    place.joints.find((t) => t.id === place.joint)?.runs ?? [],
  );
  if (held) {
    const { message, fix } = new AppError('CRANK_BLOCKED', { instance: held });
    return (
      <View role="alert" style={{ gap: 12 }}>
        <PanelTitle>{message}</PanelTitle>
        <PanelBody>{fix}</PanelBody>
        <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
      </View>
    );
  }
  return (
    <Step
      title={text.crankTitle}
      yes={text.crankYes}
      onYes={() => void acts.confirm('stepDone', { step: due.stage.id })}
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>{due.stage.name}</PanelBody>
    </Step>
  );
}
