import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Order } from '@stennet/core/contract';
import type { ShownEntry } from '@/data';
import { Card, ChoiceField, Notice, QuickTile } from '@/ui';
import { NewAround } from '@/ui/work';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { Notes } from './Notes';
import { Photos } from './Photos';

const QUICK = [
  { name: 'photo', icon: 'camera-outline' },
  { name: 'note', icon: 'note-plus-outline' },
  { name: 'dropped', icon: 'arrow-down-circle-outline' },
  { name: 'putIn', icon: 'tray-arrow-down' },
] as const;
type Quick = (typeof QUICK)[number]['name'];

/** What is wanted at any moment, one tap away: a photo, a note, what fell, what was left in. */
export function QuickRow({ order, entries }: { order: Order; entries: readonly ShownEntry[] }) {
  const [open, setOpen] = useState<Quick | null>(null);
  const common = { order: order.id, entries, mayWrite: true };
  return (
    <View style={styles.column}>
      <View style={styles.row}>
        {QUICK.filter((q) => order.jobs.length > 0 || q.name === 'photo' || q.name === 'note').map(
          (q) => (
            <QuickTile
              key={q.name}
              icon={q.icon}
              text={text.quick[q.name]}
              on={open === q.name}
              onPress={() => setOpen(open === q.name ? null : q.name)}
            />
          ),
        )}
      </View>
      {open === 'photo' ? <Photos {...common} only="new" /> : null}
      {open === 'note' ? <Notes {...common} only="new" onDone={() => setOpen(null)} /> : null}
      {open === 'dropped' || open === 'putIn' ? (
        <Around key={open} order={order} kind={open} onDone={() => setOpen(null)} />
      ) : null}
    </View>
  );
}

/** What fell or was put in, for one of the jobs. */
function Around({
  order,
  kind,
  onDone,
}: {
  order: Order;
  kind: 'dropped' | 'putIn';
  onDone: () => void;
}) {
  const { problem, save } = useSave();
  const [job, setJob] = useState(order.jobs[0]?.id ?? '');
  return (
    <Card>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {order.jobs.length > 1 ? (
        <ChoiceField
          label={text.forJob}
          value={job}
          options={order.jobs.map((j) => ({ value: j.id, text: j.title }))}
          onChange={setJob}
        />
      ) : null}
      <NewAround
        job={job}
        only={kind}
        onSave={(body) => save({ order: order.id, body })}
        onDone={onDone}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  column: { gap: 12 },
  row: { flexDirection: 'row', gap: 10 },
});
