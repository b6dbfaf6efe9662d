import { StyleSheet, View } from 'react-native';
import type { After, Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { BigButton, ChoiceField, FieldRow, NumberField, Section, TextField, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, freeId, withoutUnset, without } from '../lists';
import { options } from '../options';
import { text } from '../text';

type Conflict = Sheet['conflicts'][number];

export function ConflictsForm() {
  const { draft, change, problem } = useEditor();
  const { me } = useSignedIn();
  const inks = useInks();
  const put = (at: number, over: Partial<Conflict>, key: string): void =>
    change(
      (d) => ({
        ...d,
        conflicts: changed(d.conflicts, at, (c) => withoutUnset({ ...c, ...over })),
      }),
      `conflicts.${at}.${key}`,
    );
  return (
    <Section title={text.conflicts}>
      {draft.conflicts.map((c, i) => (
        <View key={i} style={[styles.one, { borderColor: inks.line }]}>
          <FieldRow>
            <TextField
              label={text.otherSheet}
              value={c.sheet ?? ''}
              onChange={(sheet) => put(i, { sheet: sheet || undefined }, 'sheet')}
              problem={problem(`conflicts.${i}.sheet`)}
            />
            <TextField
              label={text.otherSource}
              value={c.source ?? ''}
              onChange={(source) => put(i, { source: source || undefined }, 'source')}
              problem={problem(`conflicts.${i}.source`)}
            />
            <NumberField
              label={text.itsValue}
              value={c.value.value || undefined}
              onChange={(v) => put(i, { value: { ...c.value, value: v ?? 0 } }, 'value')}
            />
          </FieldRow>
          <ChoiceField
            label={text.unit}
            value={c.value.unit}
            options={options.torqueUnits()}
            onChange={(unit) => put(i, { value: { ...c.value, unit } }, 'unit')}
          />
          <TextField
            label={text.why}
            value={c.why}
            onChange={(why) => put(i, { why }, 'why')}
            lines={2}
            problem={problem(`conflicts.${i}.why`)}
          />
          <BigButton
            text={text.remove}
            look="quiet"
            size="desk"
            onPress={() => change((d) => ({ ...d, conflicts: without(d.conflicts, i) }))}
          />
        </View>
      ))}
      <BigButton
        text={text.addConflict}
        look="quiet"
        size="desk"
        onPress={() =>
          change((d) => ({
            ...d,
            conflicts: [...d.conflicts, { value: { value: 0, unit: me.shop.torqueUnit }, why: '' }],
          }))
        }
      />
    </Section>
  );
}

export function AfterForm() {
  const { draft, change, problem } = useEditor();
  const inks = useInks();
  const put = (at: number, over: Partial<After>, key: string): void =>
    change(
      (d) => ({ ...d, after: changed(d.after, at, (a) => withoutUnset({ ...a, ...over })) }),
      `after.${at}.${key}`,
    );
  const when = (a: After, over: NonNullable<After['when']>): After['when'] => {
    const next = withoutUnset({ ...a.when, ...over });
    return Object.keys(next).length > 0 ? next : undefined;
  };
  return (
    <Section title={text.after}>
      {draft.after.map((a, i) => (
        <View key={a.id} style={[styles.one, { borderColor: inks.line }]}>
          <TextField
            label={text.stepText}
            value={a.text}
            onChange={(t) => put(i, { text: t }, 'text')}
            lines={2}
            problem={problem(`after.${i}.text`) ?? problem(`after.${i}`)}
          />
          <ChoiceField
            label={text.afterKind}
            value={a.kind}
            options={options.afters()}
            onChange={(kind) => put(i, { kind }, 'kind')}
          />
          <FieldRow>
            <NumberField
              label={text.km}
              value={a.when?.distanceKm}
              onChange={(distanceKm) => put(i, { when: when(a, { distanceKm }) }, 'km')}
            />
            <NumberField
              label={text.days}
              value={a.when?.days}
              onChange={(days) => put(i, { when: when(a, { days }) }, 'days')}
            />
            <NumberField
              label={text.warmTo}
              value={a.when?.celsius}
              onChange={(celsius) => put(i, { when: when(a, { celsius }) }, 'celsius')}
            />
          </FieldRow>
          <BigButton
            text={text.remove}
            look="quiet"
            size="desk"
            onPress={() => change((d) => ({ ...d, after: without(d.after, i) }))}
          />
        </View>
      ))}
      <BigButton
        text={text.addAfter}
        look="quiet"
        size="desk"
        onPress={() =>
          change((d) => ({
            ...d,
            after: [
              ...d.after,
              {
                id: freeId(
                  d.after.map((a) => a.id),
                  'after',
                ),
                kind: 'check',
                text: '',
              },
            ],
          }))
        }
      />
    </Section>
  );
}

const styles = StyleSheet.create({
  one: { borderWidth: 1, borderRadius: 10, padding: 12, gap: 10 },
});
