import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { AppError } from '@stennet/core/errors';
import type { Step as SheetStep } from '@stennet/core/procedure';
import { parseNumber, units, type UnitCode } from '@stennet/core/quantity';
import { explain } from '@stennet/core/run';
import { BigButton, useInks } from '@/ui';
import { boltName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { Step, type StepProps } from './StepPanel';

/** A step of the sheet that is due: confirmed, answered or measured. Plain ones stand in one list. */
export function DueStepPanel({ due, acts, state, onGoBack }: StepProps<'step'>) {
  const { step, also } = due;
  const back = <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />;
  if (step.answers) {
    return (
      <View style={{ gap: 12 }}>
        <PanelTitle>{step.text}</PanelTitle>
        {step.answers.map((a) => (
          <BigButton key={a.text} text={a.text} look="plain" onPress={() => void acts.confirm('stepDone', { step: step.id, answer: a.text })} />
        ))}
        {back}
      </View>
    );
  }
  if (step.limits) return <Measured key={state.events.length} due={due} acts={acts} state={state} onGoBack={onGoBack} />;
  const done = (): void => void acts.confirm('stepDone', { step: step.id, ...(also.length > 0 ? { also: also.map((s) => s.id) } : {}) });
  return (
    <Step title={text.stepTitle} yes={also.length > 0 ? text.stepsYes(also.length + 1) : text.stepYes} onYes={done} state={state} second={back}>
      {[step, ...also].map((s) => (
        <Line key={s.id} step={s} />
      ))}
    </Step>
  );
}

function Line({ step }: { step: SheetStep }) {
  const inks = useInks();
  return <Text style={{ fontSize: 18, lineHeight: 25, color: inks.ink }}>{step.text}</Text>;
}

function Measured({ due, acts, onGoBack }: StepProps<'step'>) {
  const { step } = due;
  const rows = step.rows ?? [undefined];
  const unit: UnitCode = step.limits?.max?.unit ?? step.limits?.min?.unit ?? 'mm';
  const [typed, setTyped] = useState<readonly string[]>(rows.map(() => ''));
  const [problem, setProblem] = useState<AppError | null>(null);
  const record = (pendingLead: boolean): void => {
    try {
      const measurements = rows.map((row, i) => ({ ...(row === undefined ? {} : { row }), value: { value: parseNumber(typed[i] ?? ''), unit } }));
      void acts.confirm('stepDone', { step: step.id, measurements, ...(pendingLead ? { pendingLead: true } : {}) });
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      setProblem(error);
    }
  };
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{step.text}</PanelTitle>
      {rows.map((row, i) => (
        <TextInput
          key={row ?? 'one'}
          mode="outlined"
          label={text.measureLabel(row, units[unit].symbol)}
          accessibilityLabel={text.measureLabel(row, units[unit].symbol)}
          value={typed[i] ?? ''}
          inputMode="decimal"
          onChangeText={(t) => setTyped(typed.map((was, k) => (k === i ? t : was)))}
        />
      ))}
      {problem ? (
        <View role="alert">
          <PanelBody>{`${problem.message} ${problem.fix}`}</PanelBody>
        </View>
      ) : null}
      <BigButton text={text.record} onPress={() => record(false)} />
      {due.reason === 'consequence' ? <BigButton text={text.way.pending ?? ''} look="warn" onPress={() => record(true)} /> : null}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

/** Beside a new fastener the load has changed. */
export function NeighboursPanel({ due, acts, onGoBack, state }: StepProps<'neighbours'>) {
  const say = (moved: string[]) => (): void => void acts.confirm('stepDone', { step: 'neighbours', fasteners: [...due.fasteners], ...(moved.length > 0 ? { moved } : {}) });
  return (
    <Step
      title={text.neighboursTitle}
      yes={text.neighboursHeld}
      onYes={say([])}
      state={state}
      second={
        <>
          {due.fasteners.map((f) => (
            <BigButton key={f} text={text.neighboursMoved(boltName(f))} look="warn" onPress={say([f])} />
          ))}
          <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
        </>
      }
    >
      <PanelBody>{explain(due)}</PanelBody>
    </Step>
  );
}

export function SwapPanel({ due, acts, onGoBack, state }: StepProps<'swap'>) {
  return (
    <Step
      title={text.swapTitle(boltName(due.fastener))}
      yes={text.way.replace ?? ''}
      onYes={() => void acts.confirm('swapped', { fastener: due.fastener, replacement: due.replacement, condition: 'new' })}
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>{explain(due)}</PanelBody>
    </Step>
  );
}
