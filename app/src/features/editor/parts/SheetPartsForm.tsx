import { StyleSheet, View } from 'react-native';
import type { SheetPart } from '@stennet/core/procedure';
import { BigButton, ChoiceField, FieldRow, NumberField, Section, TextField, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, freeId, said, without } from '../lists';
import { text } from '../text';

/**
 * What goes in besides the fasteners, what is worth replacing while in there, and what holds the
 * crank.
 */
export function SheetPartsForm() {
  const { draft, change, problem } = useEditor();
  const inks = useInks();
  const parts = draft.parts ?? [];
  const put = (next: SheetPart[], key: string): void =>
    change((d) => said({ ...d, parts: next.length > 0 ? next : undefined }), `parts ${key}`);
  const hold = (over: NonNullable<typeof draft.holding>): void =>
    change(
      (d) => {
        const holding = said({ ...d.holding, ...over });
        return said({ ...d, holding: Object.keys(holding).length > 0 ? holding : undefined });
      },
      `holding ${Object.keys(over).join()}`,
    );
  return (
    <Section title={text.sheetParts}>
      {parts.map((p, i) => (
        <View
          key={p.id}
          style={[styles.one, { borderColor: inks.line }]}
          role="group"
          aria-label={p.name || text.sheetPart}
        >
          <FieldRow>
            <TextField
              label={text.sheetPart}
              value={p.name}
              onChange={(name) =>
                put(
                  changed(parts, i, (x) => ({ ...x, name })),
                  `${i} name`,
                )
              }
              problem={problem(`parts.${i}`)}
            />
            <NumberField
              label={text.partCount}
              value={p.count}
              onChange={(count) =>
                put(
                  changed(parts, i, (x) => ({ ...x, count: count ?? 1 })),
                  `${i} count`,
                )
              }
            />
          </FieldRow>
          <ChoiceField
            label={text.partNeed}
            value={p.need}
            options={[
              { value: 'new', text: text.partNew },
              { value: 'consider', text: text.partConsider },
            ]}
            onChange={(need) =>
              put(
                changed(parts, i, (x) => ({ ...x, need })),
                `${i} need`,
              )
            }
          />
          <TextField
            label={text.partWhy}
            value={p.why ?? ''}
            onChange={(why) =>
              put(
                changed(parts, i, (x) => said({ ...x, why: why || undefined })),
                `${i} why`,
              )
            }
          />
          <BigButton
            text={text.remove}
            label={`${text.remove} ${p.name}`}
            look="quiet"
            size="desk"
            onPress={() => put(without(parts, i), `remove ${i} of ${parts.length}`)}
          />
        </View>
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

const styles = StyleSheet.create({
  one: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 12 },
});
