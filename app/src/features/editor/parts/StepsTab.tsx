import { readyChecks, type Sheet, type Step } from '@stennet/core/procedure';
import { BigButton, ChoiceField, FieldRow, Line, NumberField, Section, TextField } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, freeId, moved, without } from '../lists';
import { text } from '../text';
import { SortList } from './SortList';
import { StepForm } from './StepForm';

/** Everything that is no pull, placed where it comes due; and the times that run between. */
export function StepsTab() {
  const { draft, change } = useEditor();
  const addReady = (id: string): void => {
    const ready = readyChecks().find((c) => c.id === id);
    if (ready) add(ready.step);
  };
  const add = (step: Omit<Step, 'id' | 'due'>): void =>
    change((d) => ({
      ...d,
      steps: [
        ...d.steps,
        {
          id: freeId(
            d.steps.map((s) => s.id),
            'step',
          ),
          ...step,
          due: { when: 'beforeFirstPull' },
        } satisfies Step,
      ],
    }));
  return (
    <>
      {draft.steps.length === 0 ? <Line>{text.noSteps}</Line> : null}
      {draft.steps.length > 1 ? (
        <Section title={text.sortSteps}>
          <SortList
            label={text.sortSteps}
            items={draft.steps.map((s) => ({ id: s.id, text: s.text || s.id }))}
            onMove={(from, to) => change((d) => ({ ...d, steps: moved(d.steps, from, to) }))}
          />
        </Section>
      ) : null}
      {draft.steps.map((s, i) => (
        <StepForm key={s.id} step={s} at={i} />
      ))}
      <BigButton
        text={text.addStep}
        look="plain"
        size="desk"
        onPress={() => add({ kind: 'check', phase: 'place', text: '' })}
      />
      <ChoiceField
        label={text.readyCheck}
        value={undefined}
        options={readyChecks().map((c) => ({ value: c.id, text: c.name }))}
        onChange={addReady}
      />
      <Clocks />
    </>
  );
}

type Clock = Sheet['clocks'][number];

function Clocks() {
  const { draft, change } = useEditor();
  const add = (): void =>
    change((d) => {
      const from = d.steps.find((s) => s.kind === 'apply') ?? d.steps[0];
      const to = d.stages.at(-1);
      const clock: Clock = {
        id: freeId(
          d.clocks.map((c) => c.id),
          'time',
        ),
        kind: 'within',
        from: from ? { step: from.id } : { stage: d.stages[0]?.id ?? '' },
        to: to ? { stage: to.id } : { step: '' },
        minutes: 10,
        text: '',
      };
      return { ...d, clocks: [...d.clocks, clock] };
    });
  return (
    <Section title={text.clocks}>
      {draft.clocks.map((c, i) => (
        <ClockForm key={c.id} clock={c} at={i} />
      ))}
      <BigButton
        text={text.addClock}
        look="quiet"
        size="desk"
        onPress={add}
        disabled={draft.steps.length + draft.stages.length === 0}
      />
    </Section>
  );
}

const nameOf = (place: Clock['from']): string =>
  'step' in place ? `step ${place.step}` : `stage ${place.stage}`;

function ClockForm({ clock, at }: { clock: Clock; at: number }) {
  const { draft, change, problem } = useEditor();
  const place = `clocks.${at}`;
  const put = (over: Partial<Clock>, key: string): void =>
    change(
      (d) => ({ ...d, clocks: changed(d.clocks, at, (c) => ({ ...c, ...over })) }),
      `${place}.${key}`,
    );
  const places = [
    ...draft.steps.map((s) => ({ value: `step ${s.id}`, text: s.text.slice(0, 40) || s.id })),
    ...draft.stages.map((s) => ({ value: `stage ${s.id}`, text: `“${s.name || s.id}”` })),
  ];
  const placeNamed = (name: string): Clock['from'] =>
    name.startsWith('step ') ? { step: name.slice(5) } : { stage: name.slice(6) };
  return (
    <>
      <FieldRow>
        <ChoiceField
          label={text.clockKind}
          value={clock.kind}
          options={[
            { value: 'within', text: text.within },
            { value: 'notBefore', text: text.notBefore },
          ]}
          onChange={(kind) => put({ kind }, 'kind')}
          problem={problem(place, true)}
        />
        <NumberField
          label={text.minutes}
          value={clock.minutes || undefined}
          onChange={(minutes) => put({ minutes: minutes ?? 0 }, 'minutes')}
          problem={problem(`${place}.minutes`)}
        />
      </FieldRow>
      <ChoiceField
        label={text.from}
        value={nameOf(clock.from)}
        options={places}
        onChange={(n) => put({ from: placeNamed(n) }, 'from')}
        problem={problem(`${place}.from`)}
      />
      <ChoiceField
        label={text.until}
        value={nameOf(clock.to)}
        options={places}
        onChange={(n) => put({ to: placeNamed(n) }, 'to')}
        problem={problem(`${place}.to`)}
      />
      <TextField
        label={text.clockText}
        value={clock.text}
        onChange={(t) => put({ text: t }, 'text')}
        problem={problem(`${place}.text`)}
      />
      <BigButton
        text={text.remove}
        look="quiet"
        size="desk"
        onPress={() => change((d) => ({ ...d, clocks: without(d.clocks, at) }))}
      />
    </>
  );
}
