import { jointKindText } from '@stennet/core/procedure';
import { StyleSheet, View } from 'react-native';
import { useSheetPlaces, type SheetFilter } from '@/data/sheets';
import { BigButton, Section } from '@/ui';
import { text } from '../text';

/** Maker → engine → job, by tapping. */
export function Places({
  filter,
  onFilter,
}: {
  filter: SheetFilter;
  onFilter: (f: SheetFilter) => void;
}) {
  const { data } = useSheetPlaces();
  if (!data) return null;
  const rest = data.places.filter(
    (p) =>
      (!filter.maker || p.maker === filter.maker) && (!filter.engine || p.engine === filter.engine),
  );
  const level = !filter.maker ? 'maker' : !filter.engine ? 'engine' : 'kind';
  if (filter.kind) return null;
  const counts = new Map<string, number>();
  for (const p of rest) counts.set(p[level], (counts.get(p[level]) ?? 0) + p.sheets);
  return (
    <Section title={text.byMaker}>
      <View style={styles.wrap}>
        {[...counts].map(([name, n]) => (
          <BigButton
            key={name}
            text={level === 'kind' ? jointKindText(name) : name}
            hint={text.sheets({ count: n })}
            look="plain"
            size="desk"
            onPress={() => onFilter({ ...filter, [level]: name })}
          />
        ))}
      </View>
    </Section>
  );
}

/** What the list is narrowed to; each is taken off by a tap. */
export function Narrowed({
  filter,
  onFilter,
}: {
  filter: SheetFilter;
  onFilter: (f: SheetFilter) => void;
}) {
  const on = (['maker', 'engine', 'kind'] as const).flatMap((key) =>
    filter[key] ? [{ key, name: filter[key] }] : [],
  );
  if (on.length === 0) return null;
  return (
    <View style={styles.wrap}>
      {on.map(({ key, name }) => (
        <BigButton
          key={key}
          text={`✕ ${key === 'kind' ? jointKindText(name) : name}`}
          label={text.clear({ what: name })}
          look="quiet"
          size="desk"
          onPress={() => onFilter(without(filter, key))}
        />
      ))}
    </View>
  );
}

/** Without the maker there is no engine of it, without the engine no job on it. */
function without(filter: SheetFilter, key: keyof SheetFilter): SheetFilter {
  const { maker, engine } = filter;
  if (key === 'kind') return { ...(maker ? { maker } : {}), ...(engine ? { engine } : {}) };
  return key === 'engine' && maker ? { maker } : {};
}

const styles = StyleSheet.create({ wrap: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 } });
