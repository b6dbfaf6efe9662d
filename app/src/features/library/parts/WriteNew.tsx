import { useRouter } from 'expo-router';
import * as v from 'valibot';
import { useBeginDraft } from '@/data/drafts';
import { FormText, needed, useKeptFields } from '@/forms';
import { commonText } from '@/language/common';
import { BigButton, FieldRow, Line, Section } from '@/ui';
import { text } from '../text';

/** “Head gasket” as it stands in an address and a file: `head-gasket`. */
const keyOf = (kind: string): string =>
  kind
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

const NewSheet = v.object({
  maker: needed(() => text.maker, 80),
  model: needed(() => text.model, 80),
  engine: needed(() => text.engine, 80),
  kind: v.pipe(
    v.string(),
    v.transform(keyOf),
    v.nonEmpty(() => commonText.missing({ field: text.kind })),
  ),
  title: needed(() => text.sheetTitle, 120),
});
const BLANK = { maker: '', model: '', engine: '', kind: '', title: '' };

/** What a new sheet is for; the rest is written in the editor. */
export function WriteNew() {
  const router = useRouter();
  const { begin } = useBeginDraft();
  const { form, clear } = useKeptFields('new sheet', BLANK, NewSheet);
  const { control } = form;
  const start = form.handleSubmit(async (sheet) => {
    const id = await begin(sheet);
    clear();
    router.navigate(`/drafts/${id}`);
  });
  return (
    <Section title={text.write}>
      <Line>{text.writeHelp}</Line>
      <FieldRow>
        <FormText control={control} name="maker" label={text.maker} />
        <FormText control={control} name="model" label={text.model} />
        <FormText control={control} name="engine" label={text.engine} />
        <FormText control={control} name="kind" label={text.kind} />
      </FieldRow>
      <FormText
        control={control}
        name="title"
        label={text.sheetTitle}
        onSubmit={() => void start()}
      />
      <BigButton text={text.begin} look="plain" size="desk" onPress={() => void start()} />
    </Section>
  );
}
