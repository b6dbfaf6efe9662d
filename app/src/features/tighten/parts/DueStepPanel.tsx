import { Fragment, useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { AppError } from '@stennet/core/errors';
import type { Step as SheetStep } from '@stennet/core/procedure';
import { parseNumber, units, type Formatter, type UnitCode } from '@stennet/core/quantity';
import { explain, withinLimits } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { BigButton, Chip, stillLabel, TextField, useInks } from '@/ui';
import { photosAt, useRunPlace } from '../hooks/useRunPlace';
import { fastenerName, text } from '../text';
import { CheckPanel } from './CheckPanel';
import { GiveUp } from './GiveUp';
import { MeasureStepPanel } from './MeasureStepPanel';
import { PanelBody, PanelTitle } from './PanelText';
import { StepMore } from './StepMore';
import { PhotoButton } from './PhotoButton';
import { Step, type StepProps } from './StepPanel';

/**
 * A step of the sheet that is due: confirmed, answered, measured, photographed. Plain ones stand in
 * one list.
 */
export function DueStepPanel(props: StepProps<'step'>) {
  const { due, state, acts, onGoBack } = props;
  const { step, also } = due;
  const fresh = state.events.length;
  if (step.answers) return <CheckPanel key={fresh} {...props} answers={step.answers} />;
  if (step.measure) return <MeasureStepPanel key={fresh} {...props} measure={step.measure} />;
  if (step.limits) return <Measured key={fresh} {...props} />;
  if (step.kind === 'rest') return <RestPanel key={fresh} {...props} />;
  if (step.kind === 'photo') return <PhotoPanel {...props} />;
  const done = (): void =>
    void acts.confirm('stepDone', {
      step: step.id,
      ...(also.length > 0 ? { also: also.map((s) => s.id) } : {}),
    });
  const second = (
    <>
      {step.kind === 'hold' ? null : <GiveUp step={step.id} acts={acts} />}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </>
  );
  return (
    <Step
      title={text.stepTitle}
      yes={also.length > 0 ? text.stepsYes({ n: also.length + 1 }) : text.stepYes}
      onYes={done}
      state={state}
      second={second}
    >
      {[step, ...also].map((s) => (
        <Line key={s.id} step={s} />
      ))}
    </Step>
  );
}

/** What a heavy part will rest on is known, and written down, before the last one comes out. */
function RestPanel({ due, acts, onGoBack }: StepProps<'step'>) {
  const { step } = due;
  const [note, setNote] = useState('');
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.restTitle}</PanelTitle>
      <Line step={step} />
      <TextField label={text.restLabel} value={note} onChange={(t) => setNote(t.slice(0, 400))} />
      <BigButton
        text={text.restYes}
        disabled={!note.trim()}
        onPress={() => void acts.confirm('stepDone', { step: step.id, note: note.trim() })}
      />
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

/** How it was before anybody touched it: kept at once, sent when there is a network. */
function PhotoPanel({ due, acts, onGoBack }: StepProps<'step'>) {
  const { step } = due;
  const taken = photosAt(useRunPlace(), step.id);
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.photoTitle}</PanelTitle>
      <Line step={step} />
      <PhotoButton of={step.text} step={step.id} />
      {taken > 0 ? (
        <BigButton
          text={text.photoDone}
          onPress={() => void acts.confirm('stepDone', { step: step.id })}
        />
      ) : (
        <BigButton
          text={text.photoNone}
          look="quiet"
          onPress={() => void acts.confirm('stepDone', { step: step.id, note: text.noPhoto })}
        />
      )}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

function Line({ step }: { step: SheetStep }) {
  const inks = useInks();
  return (
    <>
      <Text style={{ fontSize: 18, lineHeight: 25, color: inks.ink }}>{step.text}</Text>
      <StepMore step={step} />
    </>
  );
}

/** The sheet's limits, in sight while they are measured against. */
function limitsText({ limits }: SheetStep, format: Formatter): string {
  const [min, max] = [
    limits?.min && format.quantity(limits.min).text,
    limits?.max && format.quantity(limits.max).text,
  ];
  return min && max
    ? text.limitsBetween({ min, max })
    : min
      ? text.limitLeast({ min })
      : max
        ? text.limitMost({ max })
        : '';
}

function isOutside(step: SheetStep, typed: string, unit: UnitCode): boolean {
  if (typed.trim() === '') return false;
  try {
    return !withinLimits(step, [{ value: { value: parseNumber(typed), unit } }]);
  } catch (error) {
    if (error instanceof AppError) return false;
    throw error;
  }
}

function Measured({ due, acts, onGoBack }: StepProps<'step'>) {
  const { step } = due;
  const rows = step.rows ?? [undefined];
  const unit: UnitCode = step.limits?.max?.unit ?? step.limits?.min?.unit ?? 'mm';
  const [typed, setTyped] = useState<readonly string[]>(rows.map(() => ''));
  const [problem, setProblem] = useState<AppError | null>(null);
  const { format } = useSignedIn();
  const record = (pendingLead: boolean): void => {
    try {
      const measurements = rows.map((row, i) => ({
        ...(row === undefined ? {} : { row }),
        value: { value: parseNumber(typed[i] ?? ''), unit },
      }));
      void acts.confirm('stepDone', {
        step: step.id,
        measurements,
        ...(pendingLead ? { pendingLead: true } : {}),
      });
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      setProblem(error);
    }
  };
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{step.text}</PanelTitle>
      <StepMore step={step} />
      <PanelBody strong>{limitsText(step, format)}</PanelBody>
      {rows.map((row, i) => (
        <Fragment key={row ?? 'one'}>
          <TextInput
            theme={stillLabel}
            mode="outlined"
            label={text.measureLabel({ row: row ?? text.measured, unit: units[unit].symbol })}
            accessibilityLabel={text.measureLabel({
              row: row ?? text.measured,
              unit: units[unit].symbol,
            })}
            value={typed[i] ?? ''}
            inputMode="decimal"
            onChangeText={(t) => setTyped(typed.map((was, k) => (k === i ? t : was)))}
          />
          {isOutside(step, typed[i] ?? '', unit) ? (
            <PanelBody strong>{text.outside}</PanelBody>
          ) : null}
        </Fragment>
      ))}
      {problem ? (
        <View role="alert">
          <PanelBody>{`${problem.message} ${problem.fix}`}</PanelBody>
        </View>
      ) : null}
      <BigButton text={text.record} onPress={() => record(false)} />
      {due.reason === 'consequence' ? (
        <BigButton text={text.way.pending ?? ''} look="warn" onPress={() => record(true)} />
      ) : null}
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

/** Beside a new fastener the load has changed: none has moved, or these have. */
export function NeighboursPanel({ due, acts, onGoBack, state }: StepProps<'neighbours'>) {
  const [moved, setMoved] = useState<readonly string[]>([]);
  const toggle = (f: string): void =>
    setMoved((was) => (was.includes(f) ? was.filter((x) => x !== f) : [...was, f]));
  return (
    <Step
      title={text.neighboursTitle}
      yes={moved.length > 0 ? text.neighboursSome({ count: moved.length }) : text.neighboursHeld}
      onYes={() =>
        void acts.confirm('stepDone', {
          step: 'neighbours',
          fasteners: [...due.fasteners],
          ...(moved.length > 0 ? { moved: [...moved] } : {}),
        })
      }
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>{explain(state.sheet, due)}</PanelBody>
      <View
        role="group"
        aria-label={text.neighboursWhich}
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}
      >
        {due.fasteners.map((f) => (
          <Chip
            key={f}
            size="hand"
            role="checkbox"
            text={fastenerName(state.sheet, f)}
            on={moved.includes(f)}
            onPress={() => toggle(f)}
          />
        ))}
      </View>
    </Step>
  );
}

export function SwapPanel({ due, acts, onGoBack, state }: StepProps<'swap'>) {
  return (
    <Step
      title={text.swapTitle({ bolt: fastenerName(state.sheet, due.fastener) })}
      yes={text.way.replace ?? ''}
      onYes={() =>
        void acts.confirm('swapped', {
          fastener: due.fastener,
          replacement: due.replacement,
          condition: 'new',
        })
      }
      state={state}
      second={<BigButton text={text.goBack} look="quiet" onPress={onGoBack} />}
    >
      <PanelBody>{explain(state.sheet, due)}</PanelBody>
    </Step>
  );
}
