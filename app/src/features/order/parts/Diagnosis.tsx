import { useState } from 'react';
import { symptoms } from '@stennet/core/order';
import { ofKind, useKeptForm, type ShownEntry } from '@/data';
import { BigButton, ChoiceField, Line, Notice, Section, TextField } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { SaveButtons } from './SaveButtons';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

/** Symptom, what is looked at before the engine is condemned, and what was found. */
export function Diagnosis({ order, entries, mayWrite }: Props) {
  const [open, setOpen] = useState(false);
  const { form, put, clear, isTouched } = useKeptForm(`finding ${order}`, {
    symptom: '',
    looked: '',
    found: '',
  });
  return (
    <Section title={text.diagnosis}>
      {ofKind(entries, 'finding').map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line>{`${e.body.symptom} · ${e.body.looked}`}</Line>
          <Line strong>{e.body.found}</Line>
        </EntryLine>
      ))}
      {!mayWrite ? null : open || isTouched ? (
        <Form
          order={order}
          form={form}
          put={put}
          onClose={() => {
            clear();
            setOpen(false);
          }}
        />
      ) : (
        <>
          {ofKind(entries, 'finding').length === 0 ? <Line>{text.diagnosisHint}</Line> : null}
          <BigButton
            text={text.addFinding}
            look="quiet"
            size="desk"
            onPress={() => setOpen(true)}
          />
        </>
      )}
    </Section>
  );
}

interface Finding {
  symptom: string;
  looked: string;
  found: string;
}

function Form({
  order,
  form,
  put,
  onClose,
}: {
  order: string;
  form: Finding;
  put: (change: Partial<Finding>) => void;
  onClose: () => void;
}) {
  const { problem, save } = useSave();
  const known = symptoms().find((s) => s.says === form.symptom);
  const [own, setOwn] = useState(form.symptom !== '' && !known);
  const ready = form.symptom.trim() && form.looked.trim() && form.found.trim();
  return (
    <>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      <ChoiceField
        label={text.symptom}
        value={own ? 'own' : form.symptom}
        options={[
          ...symptoms().map((s) => ({ value: s.says, text: s.says })),
          { value: 'own', text: text.otherSymptom },
        ]}
        onChange={(symptom) => {
          setOwn(symptom === 'own');
          put({ symptom: symptom === 'own' ? '' : symptom, looked: '' });
        }}
      />
      {own ? (
        <TextField
          label={text.symptom}
          value={form.symptom}
          onChange={(symptom) => put({ symptom: symptom.slice(0, 80) })}
        />
      ) : null}
      {known ? (
        <ChoiceField
          label={text.lookAt}
          value={form.looked}
          options={known.look.map((l) => ({ value: l, text: l }))}
          onChange={(looked) => put({ looked })}
        />
      ) : (
        <TextField
          label={text.looked}
          value={form.looked}
          onChange={(looked) => put({ looked: looked.slice(0, 80) })}
        />
      )}
      <TextField
        label={text.foundLabel}
        value={form.found}
        lines={2}
        onChange={(found) => put({ found: found.slice(0, 1000) })}
      />
      <SaveButtons
        ready={Boolean(ready)}
        onSave={() =>
          save(
            {
              order,
              body: {
                kind: 'finding',
                symptom: form.symptom.trim(),
                looked: form.looked.trim(),
                found: form.found.trim(),
              },
            },
            onClose,
          )
        }
        onLetGo={onClose}
      />
    </>
  );
}
