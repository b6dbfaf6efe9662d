import * as v from 'valibot';
import { ofKind, type ShownEntry } from '@/data';
import { FieldRow, Line, Section } from '@/ui';
import { FormText, needed } from '@/forms';
import { text } from '../text';
import { AddEntry } from './AddEntry';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

const Fill = v.object({
  what: needed(() => text.fillWhat, 80),
  amount: needed(() => text.fillAmount, 40),
});

/**
 * What was filled in, by the person who filled it: nothing stands on the hand-over sheet that no
 * one recorded.
 */
export function Fills({ order, entries, mayWrite }: Props) {
  return (
    <Section title={text.fills}>
      {ofKind(entries, 'filled').map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{`${e.body.what}: ${e.body.amount}`}</Line>
        </EntryLine>
      ))}
      {mayWrite ? (
        <AddEntry
          order={order}
          name="fill"
          add={text.addFill}
          initial={{ what: '', amount: '' }}
          schema={Fill}
          body={(fill) => ({ kind: 'filled', ...fill })}
        >
          {({ form: { control } }) => (
            <FieldRow>
              <FormText control={control} name="what" label={text.fillWhat} />
              <FormText control={control} name="amount" label={text.fillAmount} />
            </FieldRow>
          )}
        </AddEntry>
      ) : null}
    </Section>
  );
}
