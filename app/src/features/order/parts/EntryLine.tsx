import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { letEntryGo, useSignedIn, type ShownEntry } from '@/data';
import { BigButton, Line, useInks } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';

/** One entry with who wrote it, and what became of it on its way. */
export function EntryLine({
  order,
  entry,
  children,
}: {
  order: string;
  entry: ShownEntry;
  children: ReactNode;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { waiting } = entry;
  const by = waiting
    ? text.notSent
    : text.entryBy({ by: entry.by, at: format.dateTime(new Date(entry.at)) });
  return (
    <View style={[styles.entry, { borderTopColor: inks.line }]}>
      {children}
      {waiting?.refused ? <Refused order={order} entry={entry} /> : <Line>{by}</Line>}
    </View>
  );
}

/** Someone was faster, or the server would not have it: both stay until one is chosen. */
function Refused({ order, entry }: { order: string; entry: ShownEntry }) {
  const { save } = useSave();
  const mine = entry.waiting;
  if (!mine?.refused) return null;
  const { code, params } = mine.refused;
  const why = new AppError(code, params);
  return (
    <View role="alert" style={styles.refused}>
      <Line strong>{`${text.refused}: ${why.message} ${why.fix}`}</Line>
      <Line>{said(mine.body)}</Line>
      <View style={styles.row}>
        <BigButton
          text={text.theirs}
          look="quiet"
          size="desk"
          grow
          onPress={() => void letEntryGo(entry.id)}
        />
        {code === 'ORDER_CHANGED' ? (
          <BigButton
            text={text.mine}
            look="plain"
            size="desk"
            grow
            onPress={() =>
              save({
                order,
                entry: entry.id,
                version: entry.version,
                body: mine.body,
                gone: mine.gone,
              })
            }
          />
        ) : null}
      </View>
    </View>
  );
}

/** What was written, in short. */
function said(body: ShownEntry['body']): string {
  const texts = Object.entries(body).flatMap(([name, value]) =>
    typeof value === 'string' && !['kind', 'job', 'joint', 'need', 'photo', 'person'].includes(name)
      ? [value]
      : [],
  );
  return texts.join(' · ');
}

const styles = StyleSheet.create({
  entry: { borderTopWidth: 1, paddingTop: 10, gap: 4 },
  refused: { gap: 8 },
  row: { flexDirection: 'row', gap: 12 },
});
