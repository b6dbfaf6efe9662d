import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { MONO, useInks } from '@/ui';

interface Props {
  label: string;
  columns: readonly { title: string; width: number }[];
  rows: readonly { key: string; cells: readonly string[]; faded?: boolean }[];
  footer?: ReactNode;
}

/** A table that a screen reader reads as one; scrolls sideways on a phone. */
export function Table({ label, columns, rows }: Props) {
  const inks = useInks();
  const width = (i: number): object => ({
    minWidth: columns[i]?.width ?? 80,
    flexGrow: columns[i]?.width ?? 1,
    flexBasis: columns[i]?.width ?? 80,
  });
  return (
    <ScrollView
      horizontal
      tabIndex={0}
      role="region"
      aria-label={label}
      contentContainerStyle={styles.grow}
    >
      <View role="table" aria-label={label} style={styles.grow}>
        <View role="row" style={[styles.row, { borderBottomColor: inks.partEdge }]}>
          {columns.map((c, i) => (
            <Text
              key={c.title}
              role="columnheader"
              style={[styles.cell, width(i), { color: inks.inkSoft }]}
            >
              {c.title}
            </Text>
          ))}
        </View>
        {rows.map((row) => (
          <View key={row.key} role="row" style={[styles.row, { borderBottomColor: inks.line }]}>
            {row.cells.map((cell, i) => (
              <Text
                key={i}
                role={i === 0 ? 'rowheader' : 'cell'}
                style={[
                  styles.cell,
                  width(i),
                  i === 0 ? styles.first : styles.value,
                  { color: row.faded ? inks.inkSoft : inks.ink },
                ]}
              >
                {cell}
              </Text>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  grow: { flexGrow: 1 },
  row: { flexDirection: 'row', borderBottomWidth: 1, minHeight: 40, alignItems: 'center' },
  cell: { paddingRight: 8, fontSize: 15, lineHeight: 20 },
  first: { fontWeight: '700' },
  value: { fontFamily: MONO, fontSize: 14 },
});
