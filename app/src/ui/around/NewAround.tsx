import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { OrderEntry } from '@stennet/core/order';
import { BigButton } from '../BigButton';
import { FieldRow, TextField } from '../fields';
import { text } from './text';

type Kind = 'putIn' | 'dropped' | 'loosened';
const KINDS = [
  ['putIn', 'addPutIn', 'putInWhat'],
  ['dropped', 'addDropped', 'droppedWhat'],
  ['loosened', 'addLoosened', 'loosenedWhat'],
] as const;
const firstOf = (kind: Kind): string => text[KINDS.find(([k]) => k === kind)?.[2] ?? 'putInWhat'];

/** Three things that are forgotten when they are not said at once. */
export function NewAround({
  job,
  onSave,
  only = null,
  onDone,
}: {
  job: string;
  onSave: (body: OrderEntry) => void;
  /** One of them, chosen already. */
  only?: Kind | null;
  onDone?: () => void;
}) {
  const [kind, setKind] = useState<Kind | null>(only);
  const [what, setWhat] = useState('');
  const [second, setSecond] = useState('');
  const begin = (next: Kind | null): void => {
    setKind(next);
    setWhat('');
    setSecond('');
    if (next === null) onDone?.();
  };
  if (kind === null)
    return (
      <View style={styles.row}>
        {KINDS.map(([k, label]) => (
          <BigButton key={k} text={text[label]} look="quiet" grow onPress={() => begin(k)} />
        ))}
      </View>
    );
  const count =
    second.trim() === ''
      ? undefined
      : /^[1-9]\d{0,2}$/.test(second.trim())
        ? Number(second.trim())
        : null;
  const isReady =
    what.trim() !== '' &&
    (kind !== 'dropped' || second.trim() !== '') &&
    (kind !== 'putIn' || count !== null);
  const save = (): void => {
    const said = what.trim();
    if (kind === 'putIn')
      onSave({
        kind,
        job,
        what: said,
        out: false,
        ...(typeof count === 'number' ? { count, countOut: 0 } : {}),
      });
    else if (kind === 'dropped') onSave({ kind, job, what: said, where: second.trim() });
    else onSave({ kind, job, what: said });
    begin(null);
  };
  return (
    <View style={styles.column}>
      <TextField
        label={firstOf(kind)}
        value={what}
        onChange={(t) => setWhat(t.slice(0, 80))}
        {...(kind === 'putIn' ? { hint: text.putInHint } : {})}
      />
      {kind === 'putIn' ? (
        <TextField
          label={text.howMany}
          value={second}
          onChange={setSecond}
          mode="decimal"
          problem={count === null ? text.countWrong : undefined}
        />
      ) : kind === 'dropped' ? (
        <TextField
          label={text.droppedWhere}
          value={second}
          onChange={(t) => setSecond(t.slice(0, 80))}
        />
      ) : null}
      <FieldRow>
        <BigButton text={text.save} look="plain" disabled={!isReady} onPress={save} />
        <BigButton text={text.cancel} look="quiet" onPress={() => begin(null)} />
      </FieldRow>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
  column: { gap: 12 },
});
