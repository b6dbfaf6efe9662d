import { useState } from 'react';
import { ofKind, useKeptForm, type ShownEntry } from '@/data';
import { BigButton, Line, Notice, Section, TextField } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { SaveButtons } from './SaveButtons';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
  /** Only the field for a new one, or only those that are there. */
  only?: 'new' | 'there';
  onDone?: () => void;
}

export function Notes({ order, entries, mayWrite, only, onDone }: Props) {
  const { form, put, clear, isTouched } = useKeptForm(`note ${order}`, { note: '' });
  const [open, setOpen] = useState(only === 'new');
  const { problem, save } = useSave();
  const notes = ofKind(entries, 'note');
  const close = (): void => {
    clear();
    setOpen(only === 'new');
    onDone?.();
  };
  return (
    <Section title={text.notes}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {(only === 'new' ? [] : notes).map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{e.body.text}</Line>
        </EntryLine>
      ))}
      {!mayWrite || only === 'there' ? null : open || isTouched ? (
        <>
          <TextField
            label={text.note}
            value={form.note}
            lines={3}
            onChange={(note) => put({ note: note.slice(0, 1000) })}
          />
          <SaveButtons
            ready={!!form.note.trim()}
            onSave={() => save({ order, body: { kind: 'note', text: form.note.trim() } }, close)}
            onLetGo={close}
          />
        </>
      ) : (
        <BigButton text={text.addNote} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
    </Section>
  );
}
