import { Fragment, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { isLost, type EntryOf, type OrderEntry } from '@stennet/core/order';
import { NewAround } from './NewAround';
import { Dropped, Loosened, PutIn } from './OpenAround';

export interface AroundEntry {
  id: string;
  version: number;
  body: OrderEntry;
}
export type SaveAround = (body: OrderEntry, of?: AroundEntry) => void;

interface Props {
  job: string;
  /** Of the whole order; those of the job are shown. */
  entries: readonly AroundEntry[];
  mayWrite: boolean;
  onSave: SaveAround;
  /** The neighbor has a sheet: look for it. */
  onFind: () => void;
  /** Whether new ones are entered here too. */
  hasNew?: boolean;
  /** Who wrote it and whether it is sent, round each. */
  wrap?: (entry: AroundEntry, line: ReactNode) => ReactNode;
}

/**
 * What happened on the way, beside the fasteners themselves: put in, covered, dropped, a neighbor
 * loosened.
 */
export function AroundJob({
  job,
  entries,
  mayWrite,
  onSave,
  onFind,
  hasNew = true,
  wrap = (_e, line) => line,
}: Props) {
  const own = entries.filter((e) => 'job' in e.body && e.body.job === job);
  return (
    <View style={styles.column}>
      {own.map((e) => {
        const line = openLine(e, mayWrite, onSave, onFind);
        return line ? <Fragment key={e.id}>{wrap(e, line)}</Fragment> : null;
      })}
      {mayWrite && hasNew ? <NewAround job={job} onSave={onSave} /> : null}
    </View>
  );
}

function openLine(
  entry: AroundEntry,
  mayWrite: boolean,
  onSave: SaveAround,
  onFind: () => void,
): ReactNode {
  const { body } = entry;
  const save = (next: OrderEntry): void => onSave(next, entry);
  if (isLost(body)) return <Dropped body={body} onSave={mayWrite ? save : null} />;
  if (body.kind === 'loosened' && body.tight === undefined)
    return <Loosened body={body} onSave={mayWrite ? save : null} onFind={onFind} />;
  if (body.kind === 'putIn' && !body.out)
    return <PutIn body={body} onSave={mayWrite ? save : null} />;
  return null;
}

/** What fell, wherever on the order: it stops everything. */
export const lostOf = (
  entries: readonly AroundEntry[],
): (AroundEntry & { body: EntryOf<'dropped'> })[] =>
  entries.filter((e): e is AroundEntry & { body: EntryOf<'dropped'> } => isLost(e.body));

/** Shown instead of everything else while something that fell is not in the hand. */
export function LostPanel({
  lost,
  onSave,
}: {
  lost: ReturnType<typeof lostOf>;
  onSave: SaveAround;
}) {
  return (
    <View role="alert" style={styles.column}>
      {lost.map((e) => (
        <Dropped key={e.id} body={e.body} onSave={(next) => onSave(next, e)} />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ column: { gap: 12 } });
