import { type MeasureKindId, measureKinds } from '@stennet/core/measure';
import type { Sheet, Step } from '@stennet/core/procedure';
import type { UnitCode } from '@stennet/core/quantity';
import { ChoiceField, FieldRow, NumberField, TextField, FlagsField, BigButton } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { withoutUnset, changed, without } from '../lists';
import { options } from '../options';
import { text } from '../text';
import { CompoundForm } from './CompoundsForm';
import { NamesField } from './NamesField';

export type Put = (over: Partial<Step>, key: string) => void;
export interface Props {
  step: Step;
  place: string;
  put: Put;
}

/** Place by place, judged by its kind's limits; or plain values against a least and a most. */
export function MeasureFields({ step, place, put }: Props) {
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
        options={[{ value: 'plain' as const, text: text.measurePlain }, ...options.measures()]}
        onChange={begin}
        problem={problem(`${place}.measure`)}
      />
      {measure ? (
        <>
          <ChoiceField
            label={text.unit}
            value={measure.unit}
            options={options.lengthUnits()}
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
                        limits: withoutUnset({ ...measure.limits, [l.key]: v }) as Record<
                          string,
                          number
                        >,
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
    put({ limits: withoutUnset({ instrument: '', ...limits, ...over }) }, key);
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
        options={options.lengthUnits()}
        onChange={(u) =>
          set(
            withoutUnset({
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

export function ApplyFields({ step, place, put }: Props) {
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
        label={text.alsoOn}
        values={step.alsoOn ?? []}
        options={options.compoundPlaces().filter((o) => o.value !== compound.place)}
        onChange={(places) =>
          put({ compound, alsoOn: places.length > 0 ? places : undefined }, 'alsoOn')
        }
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
export function AnswerFields({ step, place, put }: Props) {
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
            options={options.thens()}
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

/** Stages of tightening, then those of taking apart. */
export const stageOptions = ({ stages, takeApart }: Sheet): { value: string; text: string }[] => [
  ...stages.map((s, i) => ({ value: s.id, text: `${i + 1}. ${s.name || s.id}` })),
  ...takeApart.map((s, i) => ({
    value: s.id,
    text: `${text.takeApart} ${i + 1}. ${s.name || s.id}`,
  })),
];
