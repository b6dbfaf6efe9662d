import * as v from 'valibot';
import { ofKind, usePeople, useSignedIn, type ShownEntry } from '@/data';
import { BigButton, Line, Notice, Section } from '@/ui';
import { FormChoice, FormMoment, FormText, isMoment, words } from '@/forms';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { AddEntry } from './AddEntry';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

const ANYONE = 'anyone';
const Reminder = v.object({
  text: v.pipe(
    words(200),
    v.nonEmpty(() => text.reminderMissing),
  ),
  at: v.pipe(
    v.string(),
    v.check(isMoment, () => text.reminderWhen),
  ),
  person: v.string(),
});

/** What someone wants to be reminded of, at a time: a call back, a part to ask for. */
export function Reminders({ order, entries, mayWrite }: Props) {
  const { me, format } = useSignedIn();
  const { problem, save } = useSave();
  const people = usePeople();
  const who = people.data?.people ?? [me.person];
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
      {mayWrite ? (
        <AddEntry
          order={order}
          name="reminder"
          add={text.addReminder}
          initial={{ text: '', at: '', person: me.person.id }}
          schema={Reminder}
          body={(r) => ({
            kind: 'reminder',
            text: r.text,
            at: r.at,
            person: r.person === ANYONE ? null : r.person,
            done: false,
          })}
        >
          {({ form: { control } }) => (
            <>
              <FormText control={control} name="text" label={text.reminderText} />
              <FormMoment control={control} name="at" label={text.reminderAt} />
              <FormChoice
                control={control}
                name="person"
                label={text.reminderFor}
                options={[
                  ...who.map((p) => ({ value: p.id, text: p.name })),
                  { value: ANYONE, text: text.anyone },
                ]}
              />
            </>
          )}
        </AddEntry>
      ) : null}
    </Section>
  );
}
