import { useState } from 'react';
import * as v from 'valibot';
import { symptoms } from '@stennet/core/order';
import { ofKind, type ShownEntry } from '@/data';
import { ChoiceField, Line, Section } from '@/ui';
import { FormChoice, FormText, needed, type KeptFields } from '@/forms';
import { text } from '../text';
import { AddEntry } from './AddEntry';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

const FindingSchema = v.object({
  symptom: needed(() => text.symptom, 80),
  looked: needed(() => text.looked, 80),
  found: needed(() => text.foundLabel, 1000),
});
type Finding = v.InferOutput<typeof FindingSchema>;

/** Symptom, what is looked at before the engine is condemned, and what was found. */
export function Diagnosis({ order, entries, mayWrite }: Props) {
  const findings = ofKind(entries, 'finding');
  return (
    <Section title={text.diagnosis}>
      {findings.map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line>{`${e.body.symptom} · ${e.body.looked}`}</Line>
          <Line strong>{e.body.found}</Line>
        </EntryLine>
      ))}
      {mayWrite ? (
        <AddEntry
          order={order}
          name="finding"
          add={text.addFinding}
          hint={findings.length === 0 ? text.diagnosisHint : undefined}
          initial={{ symptom: '', looked: '', found: '' }}
          schema={FindingSchema}
          body={(finding) => ({ kind: 'finding', ...finding })}
        >
          {(fields) => <Fields {...fields} />}
        </AddEntry>
      ) : null}
    </Section>
  );
}

function Fields({ form: { control, formState }, values, fill }: KeptFields<Finding, Finding>) {
  const known = symptoms().find((s) => s.says === values.symptom);
  const [own, setOwn] = useState(values.symptom !== '' && !known);
  return (
    <>
      <ChoiceField
        label={text.symptom}
        value={own ? 'own' : values.symptom}
        options={[
          ...symptoms().map((s) => ({ value: s.says, text: s.says })),
          { value: 'own', text: text.otherSymptom },
        ]}
        onChange={(symptom) => {
          setOwn(symptom === 'own');
          fill({ symptom: symptom === 'own' ? '' : symptom, looked: '' });
        }}
        problem={own ? undefined : formState.errors.symptom?.message}
      />
      {own ? <FormText control={control} name="symptom" label={text.symptom} /> : null}
      {known ? (
        <FormChoice
          control={control}
          name="looked"
          label={text.lookAt}
          options={known.look.map((l) => ({ value: l, text: l }))}
        />
      ) : (
        <FormText control={control} name="looked" label={text.looked} />
      )}
      <FormText control={control} name="found" label={text.foundLabel} lines={2} />
    </>
  );
}
