import type { Stage } from '@stennet/core/procedure';
import { ChoiceField, FieldRow, NumberField } from '@/ui';
import { stagesIn, type PutStage, type StageList } from '../hooks/stageEdit';
import { useEditor } from '../hooks/useEditor';
import { text } from '../text';

interface Props {
  stage: Stage;
  put: PutStage;
  place: string;
}

/** So many minutes, or until it is as warm or as cool as it must be. */
export function WaitFields({ stage, put, place }: Props) {
  const { problem } = useEditor();
  const wait = stage.waitUntil;
  const celsius = wait && 'celsius' in wait ? wait : undefined;
  return (
    <FieldRow>
      <NumberField
        label={text.minutes}
        value={wait && 'minutes' in wait ? wait.minutes : undefined}
        onChange={(minutes) =>
          put({ waitUntil: minutes === undefined ? undefined : { minutes } }, 'minutes')
        }
        problem={problem(`${place}.waitUntil`)}
      />
      <NumberField
        label={text.celsius}
        value={celsius?.celsius}
        onChange={(c) =>
          put(
            {
              waitUntil: c === undefined ? undefined : { celsius: c, is: celsius?.is ?? 'atMost' },
            },
            'celsius',
          )
        }
      />
      {celsius ? (
        <ChoiceField
          label={text.celsiusIs}
          value={celsius.is}
          options={[
            { value: 'atLeast', text: text.atLeast },
            { value: 'atMost', text: text.atMost },
          ]}
          onChange={(is) => put({ waitUntil: { ...celsius, is } }, 'is')}
        />
      ) : null}
    </FieldRow>
  );
}

/** A hold point, a step between, a turn of the crank. */
export function HoldFields({ stage, put, place }: Props) {
  const { draft, problem } = useEditor();
  if (stage.action === 'turnCrank')
    return (
      <NumberField
        label={text.crankDeg}
        value={stage.crankDeg}
        onChange={(crankDeg) => put({ crankDeg }, 'crank')}
        problem={problem(`${place}.crankDeg`)}
      />
    );
  if (stage.action === 'do') {
    return (
      <ChoiceField
        label={text.step}
        value={stage.step}
        options={draft.steps.map((s) => ({ value: s.id, text: s.text.slice(0, 50) || s.id }))}
        onChange={(step) => put({ step }, 'step')}
        problem={problem(`${place}.step`) ?? (draft.steps.length === 0 ? text.noSteps : undefined)}
      />
    );
  }
  const before = draft.stages.slice(
    0,
    draft.stages.findIndex((s) => s.id === stage.id),
  );
  return (
    <>
      <ChoiceField
        label={text.ifNot}
        value={stage.ifNot ?? ''}
        options={[
          { value: '', text: text.nowhere },
          ...before.map((s) => ({ value: s.id, text: s.name || s.id })),
        ]}
        onChange={(id) => put({ ifNot: id || undefined }, 'ifNot')}
        problem={problem(`${place}.ifNot`)}
      />
      <ChoiceField
        label={text.release}
        value={stage.release ?? 'technician'}
        options={[
          { value: 'technician', text: text.technician },
          { value: 'lead', text: text.lead },
        ]}
        onChange={(release) => put({ release }, 'release')}
      />
    </>
  );
}

/** A range whose value was chosen earlier: at another stage, or when the joint was tightened. */
export function SameAsField({
  stage,
  put,
  at,
  list,
}: {
  stage: Stage;
  put: PutStage;
  at: number;
  list: StageList;
}) {
  const { draft, problem } = useEditor();
  const hasChoice = ({ target, fallback }: Stage): boolean =>
    fallback !== undefined || (target !== undefined && 'min' in target);
  if (!hasChoice(stage)) return null;
  const earlier = [
    ...(list === 'stages' || list === 'takeApart' ? [] : draft.stages),
    ...stagesIn(draft, list).slice(0, at),
  ].filter(hasChoice);
  if (earlier.length === 0 && stage.sameAs === undefined) return null;
  return (
    <ChoiceField
      label={text.sameAs}
      value={stage.sameAs ?? ''}
      options={[
        { value: '', text: text.chosenHere },
        ...earlier.map((s) => ({ value: s.id, text: s.name || s.id })),
      ]}
      onChange={(id) => put({ sameAs: id || undefined }, 'sameAs')}
      problem={problem(`${list}.${at}.sameAs`)}
    />
  );
}
