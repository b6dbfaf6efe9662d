import { useState } from 'react';
import type { EntryOf } from '@stennet/core/order';
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
}
type Sent = EntryOf<'outside'>;
const NEXT: Record<Sent['state'], Sent['state'] | null> = {
  asked: 'away',
  away: 'back',
  back: 'checked',
  checked: null,
};

/** Parts that went to a machine shop: asked, came back, checked on return. */
export function Outside({ order, entries, mayWrite }: Props) {
  const [open, setOpen] = useState(false);
  const { form, put, clear, isTouched } = useKeptForm(`outside ${order}`, {
    what: '',
    to: '',
    asked: '',
  });
  const { problem, save } = useSave();
  const close = (): void => {
    clear();
    setOpen(false);
  };
  const ready = form.what.trim() && form.to.trim() && form.asked.trim();
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
      {!mayWrite ? null : open || isTouched ? (
        <>
          <TextField
            label={text.outsideWhat}
            value={form.what}
            onChange={(what) => put({ what: what.slice(0, 80) })}
          />
          <TextField
            label={text.outsideTo}
            value={form.to}
            onChange={(to) => put({ to: to.slice(0, 80) })}
          />
          <TextField
            label={text.outsideAsked}
            value={form.asked}
            lines={2}
            onChange={(asked) => put({ asked: asked.slice(0, 1000) })}
          />
          <SaveButtons
            ready={Boolean(ready)}
            onSave={() =>
              save(
                {
                  order,
                  body: {
                    kind: 'outside',
                    what: form.what.trim(),
                    to: form.to.trim(),
                    asked: form.asked.trim(),
                    state: 'asked',
                  },
                },
                close,
              )
            }
            onLetGo={close}
          />
        </>
      ) : (
        <BigButton text={text.addOutside} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
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
