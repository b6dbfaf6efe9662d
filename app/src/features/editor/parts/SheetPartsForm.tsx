import { StyleSheet, View } from 'react-native';
import type { SheetPart } from '@stennet/core/procedure';
import { BigButton, ChoiceField, FieldRow, NumberField, Section, TextField, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, freeId, withoutUnset, without } from '../lists';
import { text } from '../text';

/**
 * Parts beside the fasteners, what is worth replacing while in there, and what holds the
 * crank.
 */
export function SheetPartsForm() {
  const { draft, change, problem } = useEditor();
  const parts = draft.parts ?? [];
  const put = (next: SheetPart[], key: string): void =>
    change(
      (d) => withoutUnset({ ...d, parts: next.length > 0 ? next : undefined }),
      `parts ${key}`,
    );
  const hold = (over: NonNullable<typeof draft.holding>): void =>
    change(
      (d) => {
        const holding = withoutUnset({ ...d.holding, ...over });
        return withoutUnset({
          ...d,
          holding: Object.keys(holding).length > 0 ? holding : undefined,
        });
      },
      `holding ${Object.keys(over).join()}`,
    );
  return (
    <Section title={text.sheetParts}>
      {parts.map((p, i) => (
        <PartForm
          key={p.id}
          part={p}
          problem={problem(`parts.${i}`)}
          onChange={(over, key) =>
            put(
              changed(parts, i, (x) => withoutUnset({ ...x, ...over })),
              `${i} ${key}`,
            )
          }
          onRemove={() => put(without(parts, i), `remove ${i} of ${parts.length}`)}
        />
      ))}
      <BigButton
        text={text.addSheetPart}
        look="quiet"
        size="desk"
        onPress={() =>
          put(
            [
              ...parts,
              {
                id: freeId(
                  parts.map((p) => p.id),
                  'part',
                ),
                name: '',
                count: 1,
                need: 'new',
              },
            ],
            `add ${parts.length}`,
          )
        }
      />
      <TextField
        label={text.holdLoosening}
        value={draft.holding?.loosening ?? ''}
        onChange={(t) => hold({ loosening: t || undefined })}
        problem={problem('holding.loosening')}
      />
      <TextField
        label={text.holdTightening}
        value={draft.holding?.tightening ?? ''}
        onChange={(t) => hold({ tightening: t || undefined })}
        problem={problem('holding.tightening')}
      />
    </Section>
  );
}

function PartForm({
  part,
  problem,
  onChange,
  onRemove,
}: {
  part: SheetPart;
  problem: string | undefined;
  onChange: (over: Partial<SheetPart>, key: string) => void;
  onRemove: () => void;
}) {
  const inks = useInks();
  return (
    <View
      style={[styles.one, { borderColor: inks.line }]}
      role="group"
      aria-label={part.name || text.sheetPart}
    >
      <FieldRow>
        <TextField
          label={text.sheetPart}
          value={part.name}
          onChange={(name) => onChange({ name }, 'name')}
          problem={problem}
        />
        <NumberField
          label={text.partCount}
          value={part.count}
          onChange={(count) => onChange({ count: count ?? 1 }, 'count')}
        />
      </FieldRow>
      <ChoiceField
        label={text.partNeed}
        value={part.need}
        options={[
          { value: 'new', text: text.partNew },
          { value: 'consider', text: text.partConsider },
        ]}
        onChange={(need) => onChange({ need }, 'need')}
      />
      <TextField
        label={text.partWhy}
        value={part.why ?? ''}
        onChange={(why) => onChange({ why: why || undefined }, 'why')}
      />
      <BigButton
        text={text.remove}
        label={`${text.remove} ${part.name}`}
        look="quiet"
        size="desk"
        onPress={onRemove}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  one: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 12 },
});
