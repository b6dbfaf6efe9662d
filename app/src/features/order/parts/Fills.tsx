import { useState } from 'react';
import { ofKind, useKeptForm, type ShownEntry } from '@/data';
import { BigButton, FieldRow, Line, Notice, Section, TextField } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { SaveButtons } from './SaveButtons';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

/**
 * What was filled in, by the person who filled it: nothing stands on the hand-over sheet that no
 * one recorded.
 */
export function Fills({ order, entries, mayWrite }: Props) {
  const { form, put, clear, isTouched } = useKeptForm(`fill ${order}`, { what: '', amount: '' });
  const [open, setOpen] = useState(false);
  const { problem, save } = useSave();
  const close = (): void => {
    clear();
    setOpen(false);
  };
  return (
    <Section title={text.fills}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {ofKind(entries, 'filled').map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{`${e.body.what}: ${e.body.amount}`}</Line>
        </EntryLine>
      ))}
      {!mayWrite ? null : open || isTouched ? (
        <>
          <FieldRow>
            <TextField
              label={text.fillWhat}
              value={form.what}
              onChange={(what) => put({ what: what.slice(0, 80) })}
            />
            <TextField
              label={text.fillAmount}
              value={form.amount}
              onChange={(amount) => put({ amount: amount.slice(0, 40) })}
            />
          </FieldRow>
          <SaveButtons
            ready={Boolean(form.what.trim() && form.amount.trim())}
            onSave={() =>
              save(
                {
                  order,
                  body: { kind: 'filled', what: form.what.trim(), amount: form.amount.trim() },
                },
                close,
              )
            }
            onLetGo={close}
          />
        </>
      ) : (
        <BigButton text={text.addFill} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
    </Section>
  );
}
