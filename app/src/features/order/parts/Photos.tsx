import { useEffect, useMemo } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { ofKind, photoPath, shrinkPhoto, useKeptForm, type ShownEntry } from '@/data';
import { chooseFile } from '@/platform/files';
import { BigButton, Line, Notice, Section, TextField } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
  /** Only the field for a new one, or only those that are there. */
  only?: 'new' | 'there';
}

/** Damage before work, marks, what came back: taken now, sent when there is a network. */
export function Photos({ order, entries, mayWrite, only }: Props) {
  const { form, put, clear } = useKeptForm(`photo ${order}`, { of: '' });
  const { problem, save } = useSave();
  const take = async (): Promise<void> => {
    const file = await chooseFile('image/jpeg,image/png,image/webp');
    if (!file) return;
    const photo = await shrinkPhoto(file);
    // Named by its bytes once the server has them.
    save(
      {
        order,
        photo,
        body: { kind: 'photo', photo: '0'.repeat(64), of: form.of.trim(), width: 1, height: 1 },
      },
      clear,
    );
  };
  return (
    <Section title={text.photos}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {(only === 'new' ? [] : ofKind(entries, 'photo')).map((e) => (
        <EntryLine key={e.id} order={order} entry={e}>
          <Picture entry={e} />
          <Line strong>{e.body.of}</Line>
        </EntryLine>
      ))}
      {mayWrite && only !== 'there' ? (
        <>
          <TextField
            label={text.photoOf}
            value={form.of}
            onChange={(of) => put({ of: of.slice(0, 80) })}
          />
          <BigButton
            text={text.addPhoto}
            look="quiet"
            size="desk"
            disabled={!form.of.trim()}
            onPress={() => void take()}
          />
        </>
      ) : null}
    </Section>
  );
}

function Picture({ entry }: { entry: ReturnType<typeof ofKind<'photo'>>[number] }) {
  const blob = entry.waiting?.photo ?? null;
  const own = useMemo(() => (blob ? URL.createObjectURL(blob) : null), [blob]);
  useEffect(() => () => (own ? URL.revokeObjectURL(own) : undefined), [own]);
  const uri = blob ? own : photoPath(entry.body.photo);
  if (!uri) return <View style={styles.photo} />;
  return (
    <Image
      source={{ uri }}
      accessibilityLabel={
        entry.by
          ? text.photoAltBy({ of: entry.body.of, by: entry.by })
          : text.photoAlt({ of: entry.body.of })
      }
      style={styles.photo}
      resizeMode="contain"
    />
  );
}

const styles = StyleSheet.create({ photo: { width: '100%', height: 220, borderRadius: 8 } });
