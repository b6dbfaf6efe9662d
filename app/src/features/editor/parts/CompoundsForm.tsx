import { StyleSheet, View } from 'react-native';
import { COMPOUND_KINDS, COMPOUND_PLACES, type Compound } from '@stennet/core/procedure';
import { BigButton, ChoiceField, NumberField, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, withoutUnset, without } from '../lists';
import { options } from '../options';
import { text } from '../text';

interface Props {
  compounds: readonly Compound[];
  place: string;
  onChange: (compounds: Compound[], key: string) => void;
}

const KINDS = COMPOUND_KINDS.map((k) => ({ value: k, text: k }));
const PLACES = COMPOUND_PLACES.map((p) => ({ value: p, text: p }));

export function CompoundsForm({ compounds, place, onChange }: Props) {
  const inks = useInks();
  return (
    <View style={styles.list} role="group" aria-label={text.compounds}>
      {compounds.map((c, i) => (
        <View key={i} style={[styles.one, { borderColor: inks.line }]}>
          <CompoundForm
            compound={c}
            place={`${place}.${i}`}
            onChange={(next, key) =>
              onChange(
                changed(compounds, i, () => next),
                `${i}.${key}`,
              )
            }
          />
          <BigButton
            text={text.remove}
            look="quiet"
            size="desk"
            onPress={() => onChange(without(compounds, i), `remove ${i} of ${compounds.length}`)}
          />
        </View>
      ))}
      <BigButton
        text={text.addCompound}
        look="quiet"
        size="desk"
        onPress={() =>
          onChange(
            [...compounds, { kind: 'engine oil', place: 'threads' }],
            `add ${compounds.length}`,
          )
        }
      />
    </View>
  );
}

export function CompoundForm({
  compound,
  place,
  onChange,
}: {
  compound: Compound;
  place: string;
  onChange: (compound: Compound, key: string) => void;
}) {
  const { problem } = useEditor();
  const put = (over: Partial<Compound>, key: string): void =>
    onChange(withoutUnset({ ...compound, ...over }), key);
  return (
    <>
      <ChoiceField
        label={text.kind}
        value={compound.kind}
        options={KINDS}
        onChange={(kind) => put({ kind }, 'kind')}
        problem={problem(place)}
      />
      <ChoiceField
        label={text.where}
        value={compound.place}
        options={PLACES}
        onChange={(where) => put({ place: where }, 'place')}
      />
      {compound.kind === 'thread-locker' ? (
        <ChoiceField
          label={text.strength}
          value={compound.strength ?? 'none'}
          options={options.strengths()}
          onChange={(s) => put({ strength: s === 'none' ? undefined : s }, 'strength')}
        />
      ) : null}
      <ChoiceField
        label={text.readyOn}
        value={compound.preApplied ?? 'none'}
        options={options.readyOns()}
        onChange={(p) => put({ preApplied: p === 'none' ? undefined : p }, 'ready')}
      />
      <NumberField
        label={text.coat}
        value={compound.lengthMm}
        onChange={(lengthMm) => put({ lengthMm }, 'length')}
        problem={problem(`${place}.lengthMm`)}
      />
    </>
  );
}

const styles = StyleSheet.create({
  list: { gap: 10 },
  one: { borderWidth: 1, borderRadius: 10, padding: 12, gap: 10 },
});
