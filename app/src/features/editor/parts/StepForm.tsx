import { measureKinds, type MeasureKindId } from '@stennet/core/measure';
import type { Sheet, Step } from '@stennet/core/procedure';
import type { UnitCode } from '@stennet/core/quantity';
import {
  BigButton,
  ChoiceField,
  FieldRow,
  FlagsField,
  NumberField,
  Section,
  TextField,
} from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, moved, said, without } from '../lists';
import {
  CONSEQUENCE_OPTIONS,
  DUE_OPTIONS,
  FAILURE_OPTIONS,
  MEASURE_OPTIONS,
  PHASE_OPTIONS,
  STEP_OPTIONS,
  UNIT_OPTIONS,
} from '../options';
import { text } from '../text';
import { CompoundForm } from './CompoundsForm';
import { NamesField } from './NamesField';

type Put = (over: Partial<Step>, key: string) => void;
interface Props {
  step: Step;
  place: string;
  put: Put;
}

export function StepForm({ step, at }: { step: Step; at: number }) {
  const { draft, change, problem } = useEditor();
  const place = `steps.${at}`;
  const put: Put = (over, key) =>
    change(
      (d) => ({ ...d, steps: changed(d.steps, at, (s) => said({ ...s, ...over })) }),
      `${place}.${key}`,
    );
  const kindText = STEP_OPTIONS.find((o) => o.value === step.kind)?.text ?? step.kind;
  return (
    <Section title={`${at + 1}. ${kindText}`}>
      <TextField
        label={text.stepText}
        value={step.text}
        onChange={(t) => put({ text: t }, 'text')}
        lines={2}
        problem={problem(`${place}.text`) ?? problem(place, true)}
      />
      <ChoiceField
        label={text.kind}
        value={step.kind}
        options={STEP_OPTIONS}
        onChange={(kind) => put({ kind }, 'kind')}
      />
      <ChoiceField
        label={text.phase}
        value={step.phase}
        options={PHASE_OPTIONS}
        onChange={(phase) => put({ phase }, 'phase')}
      />
      <DueFields step={step} place={place} put={put} />
      {step.kind === 'measure' ? <MeasureFields step={step} place={place} put={put} /> : null}
      {step.kind === 'apply' ? <ApplyFields step={step} place={place} put={put} /> : null}
      {step.kind === 'fit' || step.kind === 'place' || step.kind === 'tool' ? (
        <TextField
          label={text.putsIn}
          value={step.putsIn ?? ''}
          onChange={(t) => put({ putsIn: t || undefined }, 'in')}
          problem={problem(`${place}.putsIn`)}
        />
      ) : null}
      {step.kind === 'remove' ? (
        <TextField
          label={text.takesOut}
          value={step.takesOut ?? ''}
          onChange={(t) => put({ takesOut: t || undefined }, 'out')}
          problem={problem(`${place}.takesOut`)}
        />
      ) : null}
      <AnswerFields step={step} place={place} put={put} />
      <NamesField
        label={text.onOthers}
        names={step.on ?? []}
        onChange={(on) => put({ on: on.length > 0 ? on : undefined }, 'on')}
        problem={problem(`${place}.on`)}
      />
      <FieldRow>
        <BigButton
          text={`↑ ${text.earlier}`}
          label={`${text.earlier}: ${at + 1}`}
          look="quiet"
          size="desk"
          disabled={at === 0}
          onPress={() => change((d) => ({ ...d, steps: moved(d.steps, at, -1) }))}
        />
        <BigButton
          text={`↓ ${text.later}`}
          label={`${text.later}: ${at + 1}`}
          look="quiet"
          size="desk"
          disabled={at === draft.steps.length - 1}
          onPress={() => change((d) => ({ ...d, steps: moved(d.steps, at, 1) }))}
        />
        <BigButton
          text={text.remove}
          look="warn"
          size="desk"
          onPress={() => change((d) => ({ ...d, steps: without(d.steps, at) }))}
        />
      </FieldRow>
    </Section>
  );
}

function DueFields({ step, place, put }: Props) {
  const { draft, problem } = useEditor();
  const { due } = step;
  const [first] = draft.stages;
  const choose = (when: Step['due']['when']): void => {
    if (when === 'beforeFirstPull') put({ due: { when } }, 'due');
    else if (when === 'atFailure') put({ due: { when, failure: 'broke' } }, 'due');
    else put({ due: { when, stage: 'stage' in due ? due.stage : (first?.id ?? '') } }, 'due');
  };
  return (
    <>
      <ChoiceField
        label={text.due}
        value={due.when}
        options={DUE_OPTIONS}
        onChange={choose}
        problem={problem(`${place}.due`)}
      />
      {due.when === 'before' || due.when === 'after' ? (
        <ChoiceField
          label={text.dueStage}
          value={due.stage}
          options={stageOptions(draft)}
          onChange={(stage) => put({ due: { ...due, stage } }, 'due stage')}
        />
      ) : null}
      {due.when === 'atFailure' ? (
        <ChoiceField
          label={text.dueFailure}
          value={due.failure}
          options={FAILURE_OPTIONS}
          onChange={(failure) => put({ due: { ...due, failure } }, 'failure')}
        />
      ) : null}
    </>
  );
}

/** Stages of tightening, then those of taking apart. */
const stageOptions = ({ stages, takeApart }: Sheet): { value: string; text: string }[] => [
  ...stages.map((s, i) => ({ value: s.id, text: `${i + 1}. ${s.name || s.id}` })),
  ...takeApart.map((s, i) => ({
    value: s.id,
    text: `${text.takeApart} ${i + 1}. ${s.name || s.id}`,
  })),
];

/** Place by place, judged by its kind's limits; or plain values against a least and a most. */
function MeasureFields({ step, place, put }: Props) {
  const { problem } = useEditor();
  const { measure } = step;
  const begin = (what: MeasureKindId | 'plain'): void =>
    put(
      what === 'plain'
        ? { measure: undefined }
        : {
            limits: undefined,
            measure: {
              what,
              unit: measure?.unit ?? 'mm',
              limits: measure?.what === what ? measure.limits : {},
            },
          },
      'measure',
    );
  return (
    <>
      <ChoiceField
        label={text.measureKind}
        value={measure?.what ?? 'plain'}
        options={[{ value: 'plain' as const, text: text.measurePlain }, ...MEASURE_OPTIONS]}
        onChange={begin}
        problem={problem(`${place}.measure`)}
      />
      {measure ? (
        <>
          <ChoiceField
            label={text.unit}
            value={measure.unit}
            options={UNIT_OPTIONS.length as { value: 'mm' | '[in_i]'; text: string }[]}
            onChange={(unit) => put({ measure: { ...measure, unit } }, 'measure unit')}
          />
          <FieldRow>
            {measureKinds[measure.what].limits.map((l) => (
              <NumberField
                key={l.key}
                label={l.label}
                value={measure.limits[l.key]}
                onChange={(v) =>
                  put(
                    {
                      measure: {
                        ...measure,
                        limits: said({ ...measure.limits, [l.key]: v }) as Record<string, number>,
                      },
                    },
                    `limit ${l.key}`,
                  )
                }
              />
            ))}
          </FieldRow>
          <RowsField step={step} place={place} put={put} />
        </>
      ) : (
        <LimitFields step={step} place={place} put={put} />
      )}
    </>
  );
}

function RowsField({ step, place, put }: Props) {
  const { problem } = useEditor();
  return (
    <NamesField
      label={text.rowsField}
      names={step.rows ?? []}
      onChange={(rows) => put({ rows: rows.length > 0 ? rows : undefined }, 'rows')}
      problem={problem(`${place}.rows`)}
    />
  );
}

function LimitFields({ step, place, put }: Props) {
  const { problem } = useEditor();
  const { limits } = step;
  const unit: UnitCode = limits?.max?.unit ?? limits?.min?.unit ?? 'mm';
  const set = (over: Partial<NonNullable<Step['limits']>>, key: string): void =>
    put({ limits: said({ instrument: '', ...limits, ...over }) }, key);
  const quantity = (value: number | undefined): { value: number; unit: UnitCode } | undefined =>
    value === undefined ? undefined : { value, unit };
  return (
    <>
      <FieldRow>
        <NumberField
          label={text.min}
          value={limits?.min?.value}
          onChange={(v) => set({ min: quantity(v) }, 'min')}
          problem={problem(`${place}.limits`)}
        />
        <NumberField
          label={text.max}
          value={limits?.max?.value}
          onChange={(v) => set({ max: quantity(v) }, 'max')}
        />
        <TextField
          label={text.instrument}
          value={limits?.instrument ?? ''}
          onChange={(instrument) => set({ instrument }, 'instrument')}
          problem={problem(`${place}.limits.instrument`)}
        />
      </FieldRow>
      <ChoiceField
        label={text.unit}
        value={unit}
        options={UNIT_OPTIONS.length as { value: UnitCode; text: string }[]}
        onChange={(u) =>
          set(
            said({
              min: limits?.min && { ...limits.min, unit: u },
              max: limits?.max && { ...limits.max, unit: u },
            }),
            'unit',
          )
        }
      />
      <RowsField step={step} place={place} put={put} />
    </>
  );
}

function ApplyFields({ step, place, put }: Props) {
  const compound = step.compound ?? {
    kind: 'gasket sealant' as const,
    place: 'gasket face' as const,
  };
  return (
    <>
      <CompoundForm
        compound={compound}
        place={`${place}.compound`}
        onChange={(next, key) => put({ compound: next }, key)}
      />
      <FlagsField
        label={text.clocks}
        values={step.noClockPublished ? ['none'] : []}
        options={[{ value: 'none', text: text.noClock }]}
        onChange={(v) => put({ noClockPublished: v.length > 0 ? true : undefined }, 'noClock')}
      />
    </>
  );
}

/** Answers that one can give at the vehicle, and what follows from each. */
function AnswerFields({ step, place, put }: Props) {
  const { draft, problem } = useEditor();
  const answers = step.answers ?? [];
  const set = (next: NonNullable<Step['answers']>, key: string): void =>
    put({ answers: next.length > 0 ? next : undefined }, key);
  return (
    <>
      {answers.map((a, i) => (
        <FieldRow key={i}>
          <TextField
            label={`${text.answerText} ${i + 1}`}
            value={a.text}
            onChange={(t) =>
              set(
                changed(answers, i, (x) => ({ ...x, text: t })),
                `answer ${i}`,
              )
            }
            problem={
              problem(`${place}.answers.${i}`) ??
              (i === 0 ? problem(`${place}.answers`, true) : undefined)
            }
          />
          <ChoiceField
            label={text.then}
            value={a.then}
            options={CONSEQUENCE_OPTIONS}
            onChange={(then) =>
              set(
                changed(answers, i, (x) => ({ ...x, then })),
                `then ${i}`,
              )
            }
          />
          <BigButton
            text={text.remove}
            label={`${text.remove}: ${a.text || text.answerText}`}
            look="quiet"
            size="desk"
            onPress={() => set(without(answers, i), `remove ${i}`)}
          />
        </FieldRow>
      ))}
      {answers.length > 0 && step.kind === 'check' ? (
        <RowsField step={step} place={place} put={put} />
      ) : null}
      {answers.some((a) => a.then === 'back') || step.ifNot !== undefined ? (
        <ChoiceField
          label={text.backTo}
          value={step.ifNot}
          options={stageOptions(draft)}
          onChange={(ifNot) => put({ ifNot }, 'if not')}
          problem={problem(`${place}.ifNot`)}
        />
      ) : null}
      {step.kind === 'check' ||
      step.kind === 'hold' ||
      step.kind === 'measure' ||
      answers.length > 0 ? (
        <BigButton
          text={text.addAnswer}
          look="quiet"
          size="desk"
          onPress={() =>
            set(
              [...answers, { text: '', then: answers.length === 0 ? 'goOn' : 'stop' }],
              `add ${answers.length}`,
            )
          }
        />
      ) : null}
    </>
  );
}
