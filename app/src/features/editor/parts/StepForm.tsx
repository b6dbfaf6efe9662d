import type { Step } from '@stennet/core/procedure';
import { BigButton, ChoiceField, Section, TextField } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, withoutUnset, without } from '../lists';
import { options } from '../options';
import { text } from '../text';
import { NamesField } from './NamesField';
import {
  type Put,
  MeasureFields,
  ApplyFields,
  AnswerFields,
  type Props,
  stageOptions,
} from './StepFields';

export function StepForm({ step, at }: { step: Step; at: number }) {
  const { change, problem } = useEditor();
  const place = `steps.${at}`;
  const put: Put = (over, key) =>
    change(
      (d) => ({ ...d, steps: changed(d.steps, at, (s) => withoutUnset({ ...s, ...over })) }),
      `${place}.${key}`,
    );
  const kindText = options.stepKinds().find((o) => o.value === step.kind)?.text ?? step.kind;
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
        options={options.stepKinds()}
        onChange={(kind) => put({ kind }, 'kind')}
      />
      <ChoiceField
        label={text.phase}
        value={step.phase}
        options={options.phases()}
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
      <NamesField
        label={text.covers}
        names={step.covers ?? []}
        onChange={(covers) => put({ covers: covers.length > 0 ? covers : undefined }, 'covers')}
        problem={problem(`${place}.covers`)}
      />
      <WhereFields step={step} place={place} put={put} />
      <TextField
        label={text.helper}
        value={step.helper ?? ''}
        onChange={(helper) => put({ helper: helper || undefined }, 'helper')}
        problem={problem(`${place}.helper`)}
      />
      <BigButton
        text={text.remove}
        look="warn"
        size="desk"
        onPress={() => change((d) => ({ ...d, steps: without(d.steps, at) }))}
      />
    </Section>
  );
}

/** A joint that occurs several times: for which of them, and once for all or for each. */
function WhereFields({ step, place, put }: Props) {
  const { draft, problem } = useEditor();
  if (!draft.instances) return null;
  return (
    <>
      <ChoiceField
        label={text.scope}
        value={step.scope ?? 'instance'}
        options={options.scopes()}
        onChange={(scope) => put({ scope: scope === 'instance' ? undefined : scope }, 'scope')}
      />
      <NamesField
        label={text.onlyFor}
        names={step.instances ?? []}
        onChange={(names) => put({ instances: names.length > 0 ? names : undefined }, 'instances')}
        problem={problem(`${place}.instances`)}
      />
    </>
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
        options={options.dues()}
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
          options={options.failures()}
          onChange={(failure) => put({ due: { ...due, failure } }, 'failure')}
        />
      ) : null}
    </>
  );
}
