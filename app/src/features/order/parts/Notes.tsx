import * as v from 'valibot';
import { ofKind, type ShownEntry } from '@/data';
import { Line, Section } from '@/ui';
import { FormText, needed } from '@/forms';
import { text } from '../text';
import { AddEntry } from './AddEntry';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
  /** Only the field for a new one, or only those that are there. */
  only?: 'new' | 'there';
  onDone?: () => void;
}

const Note = v.object({ text: needed(() => text.note, 1000) });

export function Notes({ order, entries, mayWrite, only, onDone }: Props) {
  return (
    <Section title={text.notes}>
      {(only === 'new' ? [] : ofKind(entries, 'note')).map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{e.body.text}</Line>
        </EntryLine>
      ))}
      {mayWrite && only !== 'there' ? (
        <AddEntry
          order={order}
          name="note"
          add={text.addNote}
          initial={{ text: '' }}
          schema={Note}
          body={(note) => ({ kind: 'note', ...note })}
          isOpen={only === 'new'}
          onDone={onDone}
        >
          {({ form: { control } }) => (
            <FormText control={control} name="text" label={text.note} lines={3} />
          )}
        </AddEntry>
      ) : null}
    </Section>
  );
}
