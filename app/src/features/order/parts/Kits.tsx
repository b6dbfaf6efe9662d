import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Order } from '@stennet/core/contract';
import { type EntryOf } from '@stennet/core/order';
import { compareKit, type PricedNeed, neededNew, type PartLine } from '@stennet/core/prepare';
import { parseCents } from '@stennet/core/quantity';
import { ofKind, useSignedIn, type ShownEntry } from '@/data';
import { BigButton, FlagsField, Line, Notice, Section, TextField } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  job: Order['jobs'][number];
  lines: readonly PartLine[];
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}
type KitEntry = EntryOf<'kit'>;

/** A box that looks complete against the parts one by one: what it lacks, and what both come to. */
export function Kits({ order, job, lines, entries, mayWrite }: Props) {
  const [open, setOpen] = useState(false);
  const { problem, save } = useSave();
  const needs = neededNew(lines, job.id);
  const kits = ofKind(entries, 'kit').filter((e) => e.body.job === job.id);
  if (needs.length === 0 && kits.length === 0) return null;
  return (
    <Section title={`${text.kits} · ${job.title}`}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {kits.map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Compared kit={e.body} needs={needs} />
          {mayWrite && !e.body.taken ? (
            <BigButton
              text={text.kitTake}
              look="quiet"
              size="desk"
              onPress={() =>
                save({ order, entry: e.id, version: e.version, body: { ...e.body, taken: true } })
              }
            />
          ) : null}
        </EntryLine>
      ))}
      {!mayWrite ? null : open ? (
        <Form
          job={job.id}
          needs={needs}
          onSave={(body) => save({ order, body }, () => setOpen(false))}
          onClose={() => setOpen(false)}
        />
      ) : (
        <BigButton text={text.addKit} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
    </Section>
  );
}

function Compared({ kit, needs }: { kit: KitEntry; needs: readonly PricedNeed[] }) {
  const { format } = useSignedIn();
  const compared = compareKit(
    { name: kit.name, cents: kit.cents ?? null, holds: kit.holds },
    needs,
  );
  const { lacks, withKitCents, separateCents } = compared;
  return (
    <>
      <Line strong>{`${kit.name}${kit.taken ? ` · ${text.kitTaken}` : ''}`}</Line>
      {lacks.length > 0 ? (
        <Notice
          title={text.kitLacks({
            what: lacks.map((n) => (n.count > 1 ? `${n.count} × ${n.what}` : n.what)).join(', '),
          })}
          look="warn"
        />
      ) : (
        <Line>{text.kitWhole}</Line>
      )}
      <Line>
        {withKitCents === null || separateCents === null
          ? text.kitOpen
          : text.kitSum({ kit: format.price(withKitCents), separate: format.price(separateCents) })}
      </Line>
    </>
  );
}

function Form({
  job,
  needs,
  onSave,
  onClose,
}: {
  job: string;
  needs: readonly PricedNeed[];
  onSave: (body: KitEntry) => void;
  onClose: () => void;
}) {
  const [name, setName] = useState('');
  const [price, setPrice] = useState('');
  const [holds, setHolds] = useState<string[]>([]);
  const cents = parseCents(price);
  const body: KitEntry = {
    kind: 'kit',
    job,
    name: name.trim(),
    holds,
    taken: false,
    ...(typeof cents === 'number' ? { cents } : {}),
  };
  return (
    <View style={styles.form}>
      <TextField label={text.kitName} value={name} onChange={(t) => setName(t.slice(0, 80))} />
      <TextField
        label={text.kitPrice}
        value={price}
        onChange={setPrice}
        mode="decimal"
        problem={cents === undefined ? text.priceWrong : undefined}
      />
      <FlagsField
        label={text.kitHolds}
        values={holds}
        options={needs.map((n) => ({ value: n.key, text: n.what }))}
        onChange={setHolds}
      />
      {name.trim() ? <Compared kit={body} needs={needs} /> : null}
      <BigButton
        text={text.save}
        look="plain"
        size="desk"
        disabled={!name.trim() || cents === undefined}
        onPress={() => onSave(body)}
      />
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={onClose} />
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: 12 } });
