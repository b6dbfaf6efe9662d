import { Fragment, useState } from 'react';
import * as v from 'valibot';
import { ofKind, usePeople, useSignedIn, type ShownEntry } from '@/data';
import { BigButton, Line, Notice, Section } from '@/ui';
import { FormChoice, FormMoment, FormText, isMoment, useKeptFields } from '@/forms';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { SaveButtons } from './SaveButtons';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

const ANYONE = 'anyone';
const Reminder = v.object({
  text: v.pipe(
    v.string(),
    v.trim(),
    v.nonEmpty(() => text.reminderMissing),
    v.maxLength(200, () => text.tooLong({ n: 200 })),
  ),
  at: v.pipe(
    v.string(),
    v.check(isMoment, () => text.reminderWhen),
  ),
  person: v.string(),
});

/** What someone wants to be reminded of, at a time: a call back, a part to ask for. */
export function Reminders({ order, entries, mayWrite }: Props) {
  const { format } = useSignedIn();
  const [open, setOpen] = useState(false);
  const { problem, save } = useSave();
  const people = usePeople();
  const nameOf = (id: string | null): string =>
    people.data?.people.find((p) => p.id === id)?.name ?? text.anyone;
  return (
    <Section title={text.reminders}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {ofKind(entries, 'reminder').map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong={!e.body.done}>{e.body.text}</Line>
          <Line>
            {e.body.done
              ? text.reminderDone
              : `${format.dateTime(new Date(e.body.at))} · ${nameOf(e.body.person)}`}
          </Line>
          {mayWrite && !e.body.done ? (
            <BigButton
              text={text.done}
              label={`${text.done}: ${e.body.text}`}
              look="quiet"
              size="desk"
              onPress={() =>
                save({ order, entry: e.id, version: e.version, body: { ...e.body, done: true } })
              }
            />
          ) : null}
        </EntryLine>
      ))}
      {!mayWrite ? null : open ? (
        <NewReminder order={order} onClose={() => setOpen(false)} />
      ) : (
        <BigButton text={text.addReminder} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
    </Section>
  );
}

function NewReminder({ order, onClose }: { order: string; onClose: () => void }) {
  const { me } = useSignedIn();
  const people = usePeople();
  const { problem, save } = useSave();
  const { form, clear } = useKeptFields(
    `reminder ${order}`,
    { text: '', at: '', person: me.person.id },
    Reminder,
  );
  const close = (): void => {
    clear();
    onClose();
  };
  const who = people.data?.people ?? [me.person];
  return (
    <Fragment>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      <FormText control={form.control} name="text" label={text.reminderText} />
      <FormMoment control={form.control} name="at" label={text.reminderAt} />
      <FormChoice
        control={form.control}
        name="person"
        label={text.reminderFor}
        options={[
          ...who.map((p) => ({ value: p.id, text: p.name })),
          { value: ANYONE, text: text.anyone },
        ]}
      />
      <SaveButtons
        ready
        onSave={() =>
          void form.handleSubmit((r) =>
            save(
              {
                order,
                body: {
                  kind: 'reminder',
                  text: r.text,
                  at: r.at,
                  person: r.person === ANYONE ? null : r.person,
                  done: false,
                },
              },
              close,
            ),
          )()
        }
        onLetGo={close}
      />
    </Fragment>
  );
}
