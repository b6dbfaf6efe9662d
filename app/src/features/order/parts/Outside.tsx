import { useState } from 'react';
import * as v from 'valibot';
import type { EntryOf } from '@stennet/core/order';
import { ofKind, type ShownEntry } from '@/data';
import { BigButton, Line, Notice, Section, TextField } from '@/ui';
import { FormText, needed } from '@/forms';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { AddEntry } from './AddEntry';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}
type Sent = EntryOf<'outside'>;
const NEXT: Record<Sent['state'], Sent['state'] | null> = {
  asked: 'away',
  away: 'back',
  back: 'checked',
  checked: null,
};
const SentOut = v.object({
  what: needed(() => text.outsideWhat, 80),
  to: needed(() => text.outsideTo, 80),
  asked: needed(() => text.outsideAsked, 1000),
});

/** Parts that went to a machine shop: asked, came back, checked on return. */
export function Outside({ order, entries, mayWrite }: Props) {
  const { problem, save } = useSave();
  return (
    <Section title={text.outside}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {ofKind(entries, 'outside').map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{`${e.body.what}: ${text.outsideStates[e.body.state]}`}</Line>
          <Line>{`${e.body.to}. ${e.body.asked}`}</Line>
          {e.body.cameBack ? <Line>{`${text.outsideCame}: ${e.body.cameBack}`}</Line> : null}
          {e.body.checked ? <Line>{`${text.outsideChecked}: ${e.body.checked}`}</Line> : null}
          {mayWrite ? (
            <Onward
              body={e.body}
              onSave={(body) => save({ order, entry: e.id, version: e.version, body })}
            />
          ) : null}
        </EntryLine>
      ))}
      {mayWrite ? (
        <AddEntry
          order={order}
          name="outside"
          add={text.addOutside}
          initial={{ what: '', to: '', asked: '' }}
          schema={SentOut}
          body={(sent) => ({ kind: 'outside', ...sent, state: 'asked' })}
        >
          {({ form: { control } }) => (
            <>
              <FormText control={control} name="what" label={text.outsideWhat} />
              <FormText control={control} name="to" label={text.outsideTo} />
              <FormText control={control} name="asked" label={text.outsideAsked} lines={2} />
            </>
          )}
        </AddEntry>
      ) : null}
    </Section>
  );
}

/** To its next state; what came back and how it was checked are said there. */
function Onward({ body, onSave }: { body: Sent; onSave: (body: Sent) => void }) {
  const [words, setWords] = useState('');
  const to = NEXT[body.state];
  if (!to) return null;
  const label = to === 'back' ? text.outsideCame : to === 'checked' ? text.outsideChecked : null;
  const said = words.trim();
  const next: Sent = {
    ...body,
    state: to,
    ...(to === 'back' ? { cameBack: said } : to === 'checked' ? { checked: said } : {}),
  };
  return (
    <>
      {label ? (
        <TextField label={label} value={words} onChange={(t) => setWords(t.slice(0, 1000))} />
      ) : null}
      <BigButton
        text={text.outsideNext[body.state]}
        look="quiet"
        size="desk"
        disabled={label !== null && !said}
        onPress={() => onSave(next)}
      />
    </>
  );
}
