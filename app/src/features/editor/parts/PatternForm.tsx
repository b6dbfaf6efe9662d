import { rowsOfPlaces, circleOfPlaces, removePlaces, addPlaces } from '@stennet/core/draft';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Section, Chip, FieldRow, NumberField, BigButton } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { withGroup } from '../hooks/usePlacing';
import { text } from '../text';

export function PatternForm() {
  const { change } = useEditor();
  const [kind, setKind] = useState<'rows' | 'circle'>('rows');
  const [count, setCount] = useState<number | undefined>(10);
  const [rows, setRows] = useState<number | undefined>(2);
  const [spacing, setSpacing] = useState<number | undefined>(90);
  const [rowSpacing, setRowSpacing] = useState<number | undefined>(100);
  const [diameter, setDiameter] = useState<number | undefined>(80);
  const [start, setStart] = useState<number | undefined>(0);
  const [instead, setInstead] = useState(false);
  const isWhole = (n: number | undefined, most: number): n is number =>
    n !== undefined && Number.isInteger(n) && n > 0 && n <= most;
  const isGood =
    isWhole(count, 120) &&
    (kind === 'circle' ? (diameter ?? 0) > 0 : isWhole(rows, 20) && (spacing ?? 0) > 0);
  const place = (): void =>
    change((d) => {
      const points =
        kind === 'rows'
          ? rowsOfPlaces({
              count: count ?? 1,
              rows: rows ?? 1,
              spacingMm: spacing ?? 0,
              rowsMm: rowSpacing ?? 0,
            })
          : circleOfPlaces({ count: count ?? 1, diameterMm: diameter ?? 0, startDeg: start ?? 0 });
      const base = instead
        ? removePlaces(
            d,
            d.pattern.positions.map((p) => p.label),
          )
        : d;
      const [sheet, group] = withGroup(base);
      return addPlaces(sheet, points, group);
    });
  return (
    <Section title={text.pattern}>
      <View role="radiogroup" aria-label={text.pattern} style={styles.wrap}>
        <Chip role="radio" text={text.rows} on={kind === 'rows'} onPress={() => setKind('rows')} />
        <Chip
          role="radio"
          text={text.circle}
          on={kind === 'circle'}
          onPress={() => setKind('circle')}
        />
        <Chip
          role="checkbox"
          text={text.replaceAll}
          on={instead}
          onPress={() => setInstead(!instead)}
        />
      </View>
      <FieldRow>
        <NumberField label={text.count} value={count} onChange={setCount} />
        {kind === 'rows' ? (
          <>
            <NumberField label={text.rowCount} value={rows} onChange={setRows} />
            <NumberField label={text.spacing} value={spacing} onChange={setSpacing} />
            <NumberField label={text.rowSpacing} value={rowSpacing} onChange={setRowSpacing} />
          </>
        ) : (
          <>
            <NumberField label={text.diameter} value={diameter} onChange={setDiameter} />
            <NumberField label={text.startDeg} value={start} onChange={setStart} />
          </>
        )}
      </FieldRow>
      <BigButton text={text.place} look="plain" size="desk" onPress={place} disabled={!isGood} />
    </Section>
  );
}

export const styles = StyleSheet.create({
  wrap: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  selected: { gap: 10 },
});
