import { useState } from 'react';
import { ofKind, usePeople, type ShownEntry } from '@/data';
import { BigButton, Line, Notice, Section, TextField } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}

/** Who works on it, and at what. */
export function People({ order, entries, mayWrite }: Props) {
  const people = usePeople();
  const [open, setOpen] = useState(false);
  const [doing, setDoing] = useState('');
  const { problem, save } = useSave();
  const on = ofKind(entries, 'person');
  const nameOf = (id: string): string => people.data?.people.find((p) => p.id === id)?.name ?? '';
  const free = people.data?.people.filter((p) => !on.some((e) => e.body.person === p.id)) ?? [];
  return (
    <Section title={text.people}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {on.map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{`${nameOf(e.body.person)}: ${e.body.doing}`}</Line>
          {mayWrite ? (
            <BigButton
              text={text.remove}
              label={`${text.remove} ${nameOf(e.body.person)}`}
              look="quiet"
              size="desk"
              onPress={() =>
                save({ order, entry: e.id, version: e.version, body: e.body, gone: true })
              }
            />
          ) : null}
        </EntryLine>
      ))}
      {!mayWrite ? null : open ? (
        <>
          <TextField label={text.doing} value={doing} onChange={(t) => setDoing(t.slice(0, 80))} />
          {free.map((p) => (
            <BigButton
              key={p.id}
              text={text.assign({ name: p.name })}
              look="quiet"
              size="desk"
              disabled={!doing.trim()}
              onPress={() =>
                save({ order, body: { kind: 'person', person: p.id, doing: doing.trim() } }, () => {
                  setOpen(false);
                  setDoing('');
                })
              }
            />
          ))}
          <BigButton text={text.cancel} look="quiet" size="desk" onPress={() => setOpen(false)} />
        </>
      ) : (
        <BigButton text={text.addPerson} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
    </Section>
  );
}
