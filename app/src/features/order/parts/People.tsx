import { useState } from 'react';
import { ofKind, usePeople, useSignedIn, type ShownEntry } from '@/data';
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

/** Who works on it, and at what. A colleague takes over from someone, and sees it on Today. */
export function People({ order, entries, mayWrite }: Props) {
  const people = usePeople();
  const { me } = useSignedIn();
  const [open, setOpen] = useState<'add' | 'handOn' | null>(null);
  const { problem, save } = useSave();
  const on = ofKind(entries, 'person');
  const mine = on.find((e) => e.body.person === me.person.id);
  const nameOf = (id: string): string => people.data?.people.find((p) => p.id === id)?.name ?? '';
  const free = people.data?.people.filter((p) => !on.some((e) => e.body.person === p.id)) ?? [];
  const remove = (e: (typeof on)[number]): void =>
    save({ order, entry: e.id, version: e.version, body: e.body, gone: true });
  const take = (person: string, doing: string): void =>
    save(
      {
        order,
        body: {
          kind: 'person',
          person,
          doing,
          ...(open === 'handOn' ? { from: me.person.id } : {}),
        },
      },
      () => {
        if (open === 'handOn' && mine) remove(mine);
        setOpen(null);
      },
    );
  return (
    <Section title={text.people}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {on.map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Line strong>{`${nameOf(e.body.person)}: ${e.body.doing}`}</Line>
          {e.body.from ? <Line>{text.tookOver({ name: nameOf(e.body.from) })}</Line> : null}
          {mayWrite ? (
            <BigButton
              text={text.remove}
              label={`${text.remove} ${nameOf(e.body.person)}`}
              look="quiet"
              size="desk"
              onPress={() => remove(e)}
            />
          ) : null}
        </EntryLine>
      ))}
      {!mayWrite ? null : open ? (
        <Assign
          people={free}
          doing={open === 'handOn' ? (mine?.body.doing ?? '') : ''}
          onTake={take}
          onClose={() => setOpen(null)}
        />
      ) : (
        <>
          {mine ? (
            <BigButton
              text={text.handOn}
              look="quiet"
              size="desk"
              onPress={() => setOpen('handOn')}
            />
          ) : null}
          <BigButton
            text={text.addPerson}
            look="quiet"
            size="desk"
            onPress={() => setOpen('add')}
          />
        </>
      )}
    </Section>
  );
}

function Assign({
  people,
  doing: known,
  onTake,
  onClose,
}: {
  people: readonly { id: string; name: string }[];
  doing: string;
  onTake: (person: string, doing: string) => void;
  onClose: () => void;
}) {
  const [doing, setDoing] = useState(known);
  const [who, setWho] = useState<string | undefined>(undefined);
  return (
    <>
      <ChoiceField
        label={text.who}
        value={who}
        options={people.map((p) => ({ value: p.id, text: p.name }))}
        onChange={setWho}
      />
      <TextField label={text.doing} value={doing} onChange={(t) => setDoing(t.slice(0, 80))} />
      <SaveButtons
        ready={Boolean(who && doing.trim())}
        onSave={() => who && onTake(who, doing.trim())}
        onLetGo={onClose}
      />
    </>
  );
}
