import type { EntryOf } from '@stennet/core/order';
import { type PartSeen, wrongPart } from '@stennet/core/prepare';
import { type Sheet, HEADS } from '@stennet/core/procedure';
import { type ReactNode, useState } from 'react';
import { View, StyleSheet } from 'react-native';
import {
  useInks,
  FieldRow,
  TextField,
  NumberField,
  ChoiceField,
  Notice,
  Line,
  BigButton,
} from '@/ui';
import { text } from '../text';

export type Part = EntryOf<'part'>;
export function Plain({ children }: { children: ReactNode }) {
  const inks = useInks();
  return <View style={[styles.plain, { borderTopColor: inks.line }]}>{children}</View>;
}

/**
 * What came, against what the sheet asks for: a wrong thread or length is caught before it is in
 * the hole.
 */
export function Check({
  sheet,
  body,
  need,
  count,
  onSave,
}: {
  sheet: Sheet;
  body: Part;
  need: string;
  count: number;
  onSave: (seen: PartSeenBody) => void;
}) {
  const [seen, setSeen] = useState<PartSeen>(body.seen ?? {});
  const group = sheet.groups.find((g) => `group:${g.id}` === need);
  const said = Object.values(seen).some((x) => x !== undefined && x !== '');
  const wrong = group
    ? wrongPart(group, count, seen)
    : seen.count !== undefined && seen.count < count
      ? [{ by: 'count', text: text.tooFew({ n: seen.count, of: count }) }]
      : [];
  // What the sheet does not give cannot be compared: said, instead of a match that no one checked.
  const unknown = !group || (seen.lengthMm !== undefined && group.lengthMm === undefined);
  const lengthBad = seen.lengthMm !== undefined && !(seen.lengthMm > 0 && seen.lengthMm <= 1000);
  const countBad =
    seen.count !== undefined &&
    !(Number.isInteger(seen.count) && seen.count >= 1 && seen.count <= 1000);
  return (
    <>
      <FieldRow>
        {group ? (
          <TextField
            label={text.seenThread}
            hint="M10 × 1.5"
            value={seen.thread ?? ''}
            onChange={(thread) => setSeen({ ...seen, thread: thread.slice(0, 20) })}
          />
        ) : null}
        {group ? (
          <NumberField
            label={text.seenLength}
            value={seen.lengthMm}
            onChange={(lengthMm) => setSeen({ ...seen, lengthMm })}
            problem={lengthBad ? text.lengthWrong : undefined}
          />
        ) : null}
        <NumberField
          label={text.seenCount}
          value={seen.count}
          onChange={(n) => setSeen({ ...seen, count: n })}
          problem={countBad ? text.countWrong : undefined}
        />
      </FieldRow>
      {group ? (
        <ChoiceField
          label={text.seenHead}
          value={seen.head}
          options={HEADS.map((h) => ({ value: h, text: h }))}
          onChange={(head) => setSeen({ ...seen, head })}
        />
      ) : null}
      {wrong.length > 0 ? (
        <Notice title={text.wrong} text={wrong.map((w) => w.text).join(' ')} look="warn" alert />
      ) : said ? (
        <View role="status">
          <Line strong>{unknown ? text.fitsUnknown : text.fits}</Line>
        </View>
      ) : null}
      <BigButton
        text={text.save}
        look="plain"
        size="desk"
        disabled={!said || lengthBad || countBad}
        onPress={() => onSave(kept(seen))}
      />
    </>
  );
}
type PartSeenBody = NonNullable<Part['seen']>;
const kept = ({ thread, lengthMm, head, count }: PartSeen): PartSeenBody => ({
  ...(thread?.trim() ? { thread: thread.trim() } : {}),
  ...(lengthMm === undefined ? {} : { lengthMm }),
  ...(head === undefined ? {} : { head }),
  ...(count === undefined ? {} : { count }),
});

export const styles = StyleSheet.create({
  plain: { borderTopWidth: 1, paddingTop: 10, gap: 4 },
  states: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingVertical: 4 },
  row: { flexDirection: 'row', gap: 12, flexWrap: 'wrap' },
});
