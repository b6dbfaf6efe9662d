import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { EntryOf, OrderEntry } from '@stennet/core/order';
import { BigButton } from '../BigButton';
import { TextField } from '../fields';
import { Heading, Line } from '../Section';
import { text } from './text';

type Save = ((next: OrderEntry) => void) | null;

/** Something fell: where it was found ends it, nothing else does. */
export function Dropped({ body, onSave }: { body: EntryOf<'dropped'>; onSave: Save }) {
  const [where, setWhere] = useState('');
  return (
    <View style={styles.column}>
      <Heading>{text.dropped({ what: body.what })}</Heading>
      <Line strong>{text.droppedText({ where: body.where })}</Line>
      {onSave ? (
        <>
          <TextField
            label={text.foundWhere}
            value={where}
            onChange={(t) => setWhere(t.slice(0, 80))}
          />
          <Line>{text.stillAsk}</Line>
          <BigButton
            text={text.foundGood}
            look="plain"
            disabled={!where.trim()}
            onPress={() => onSave({ ...body, found: where.trim(), still: 'good' })}
          />
          <BigButton
            text={text.foundDiscard}
            look="warn"
            disabled={!where.trim()}
            onPress={() => onSave({ ...body, found: where.trim(), still: 'discard' })}
          />
        </>
      ) : null}
    </View>
  );
}

/** A joint of its own: by a sheet, or in words. */
export function Loosened({
  body,
  onSave,
  onFind,
}: {
  body: EntryOf<'loosened'>;
  onSave: Save;
  onFind: () => void;
}) {
  const [how, setHow] = useState('');
  return (
    <View style={styles.column}>
      <Line strong>{text.loosened({ what: body.what })}</Line>
      {onSave ? (
        <>
          <TextField label={text.tightHow} value={how} onChange={(t) => setHow(t.slice(0, 400))} />
          <BigButton
            text={text.tight}
            look="plain"
            disabled={!how.trim()}
            onPress={() => onSave({ ...body, tight: how.trim() })}
          />
          <BigButton text={text.bySheet} look="quiet" onPress={onFind} />
        </>
      ) : null}
    </View>
  );
}

/** What was counted in is counted out. */
export function PutIn({ body, onSave }: { body: EntryOf<'putIn'>; onSave: Save }) {
  const [typed, setTyped] = useState('');
  const { what, count, countOut = 0 } = body;
  if (count === undefined)
    return (
      <View style={styles.column}>
        <Line strong>{text.stillIn({ what })}</Line>
        {onSave ? (
          <BigButton
            text={text.isOut({ what })}
            look="quiet"
            onPress={() => onSave({ ...body, out: true })}
          />
        ) : null}
      </View>
    );
  const out = /^\d{1,3}$/.test(typed.trim()) ? Number(typed.trim()) : null;
  const isWrong = typed.trim() !== '' && (out === null || out > count);
  return (
    <View style={styles.column}>
      <Line strong>{text.counted({ out: countOut, count, what })}</Line>
      {onSave ? (
        <>
          <TextField
            label={text.howManyOut}
            value={typed}
            onChange={setTyped}
            mode="decimal"
            problem={isWrong ? text.countWrong : undefined}
          />
          <BigButton
            text={text.countThem({ what })}
            look="plain"
            disabled={out === null || isWrong}
            onPress={() => onSave({ ...body, countOut: out ?? 0, out: out === count })}
          />
        </>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ column: { gap: 8 } });
