import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { measureKinds, MEASURE_KINDS, type MeasureKindId } from '@stennet/core/measure';
import { parseCents } from '@stennet/core/quantity';
import type { EntryOf } from '@stennet/core/order';
import { saveEntry, useKeptForm, useSignedIn } from '@/data';
import { newId } from '@/platform/ids';
import {
  BigButton,
  ChoiceField,
  FieldRow,
  Fold,
  Line,
  Notice,
  Section,
  TextField,
  useIsWide,
} from '@/ui';
import { Instrument, Odd, Places, StripMarks } from '@/ui/measuring/Places';
import {
  drawnRows,
  emptyForm,
  measuringOf,
  read,
  type MeasureForm as Form,
  type Put,
} from '@/ui/measuring/measuring';
import { Result } from '@/ui/measuring/Result';
import { text as measuringText } from '@/ui/measuring/text';
import { cheaper, text } from '../text';

type Then = NonNullable<EntryOf<'measurement'>['then']>;

/**
 * One measurement: what, by what, its limits, place after place with large fields, and what it
 * comes to while it is typed.
 */
export function MeasureForm({ order }: { order: string }) {
  const isWide = useIsWide();
  const [id] = useState(newId);
  const { form, put, clear, isTouched, isRestored } = useKeptForm<Form>(
    `measure ${order}`,
    emptyForm(id),
  );
  const [problem, setProblem] = useState(false);
  const { measured, judged, odd } = measuringOf(form);
  const begin = (what: MeasureKindId): void =>
    put({
      ...(form.what === what
        ? {}
        : {
            rows: measureKinds[what].rows.map((row) => ({ row, values: [] })),
            limits: {},
            current: 0,
            confirmed: false,
          }),
      what,
    });
  const ready =
    measured &&
    judged &&
    form.of.trim() &&
    form.instrument.trim() &&
    (odd.length === 0 || form.confirmed);
  const save = (): void => {
    if (!measured || !judged) return;
    const { what, unit, uncertainty, limits, rows, strip } = measured;
    const [mend, replace] = [parseCents(form.mend), parseCents(form.replace)];
    const body: EntryOf<'measurement'> = {
      kind: 'measurement',
      what,
      of: form.of.trim(),
      instrument: form.instrument.trim(),
      unit,
      uncertainty,
      limits,
      rows: rows
        .filter((r) => measureKinds[what].needsAll || r.values.some((v) => v !== null))
        .map((r) => ({ row: r.row, values: [...r.values] })),
      ...(strip && strip.length >= 2
        ? { strip: strip.map(([w, c]): [number, number] => [w, c]) }
        : {}),
      verdict: judged.verdict,
      ...(judged.verdict !== 'pass' && typeof mend === 'number' && typeof replace === 'number'
        ? { prices: { mend, replace } }
        : {}),
      ...(judged.verdict !== 'pass' && form.then ? { then: form.then as Then } : {}),
      ...(form.note.trim() ? { note: form.note.trim() } : {}),
    };
    saveEntry({ order, entry: form.id, body }).then(clear, () => setProblem(true));
  };
  return (
    <Section title={text.choose}>
      {isRestored ? <Line>{text.kept}</Line> : null}
      {problem ? <Notice title={text.cannotKeep} look="warn" alert /> : null}
      <Kind chosen={form.what} onChoose={begin} />
      {form.what && measured ? (
        <View style={isWide ? styles.wide : styles.phone}>
          <View style={isWide ? styles.half : styles.phone}>
            <Places form={form} put={put} what={form.what} rows={drawnRows(form, judged)} />
            <Line>{measuringText.kinds[form.what].say}</Line>
          </View>
          <View style={isWide ? styles.half : styles.phone}>
            <Limits form={form} put={put} what={form.what} />
            <TextField
              label={text.of}
              value={form.of}
              onChange={(of) => put({ of: of.slice(0, 80) })}
            />
            <Instrument form={form} put={put} />
            {judged ? (
              <Judgement form={form} put={put} judged={judged} odd={odd} />
            ) : (
              <Line>{measuringText.missing}</Line>
            )}
            <BigButton text={text.save} disabled={!ready} onPress={save} />
            {isTouched ? (
              <BigButton text={text.letGo} look="quiet" size="desk" onPress={clear} />
            ) : null}
          </View>
        </View>
      ) : null}
    </Section>
  );
}

/** What is measured: all kinds until one is chosen, then that one, and the way to another. */
function Kind({
  chosen,
  onChoose,
}: {
  chosen: MeasureKindId | null;
  onChoose: (what: MeasureKindId) => void;
}) {
  const choice = (
    <ChoiceField
      label={text.what}
      value={chosen ?? undefined}
      options={MEASURE_KINDS.map((k) => ({ value: k, text: measuringText.kinds[k].title }))}
      onChange={onChoose}
    />
  );
  return chosen ? (
    <Fold key={chosen} title={measuringText.kinds[chosen].title} label={text.otherKind}>
      {choice}
    </Fold>
  ) : (
    choice
  );
}

function Limits({ form, put, what }: { form: Form; put: Put; what: MeasureKindId }) {
  const { limits } = measureKinds[what];
  return (
    <>
      {limits.length > 0 ? <Line strong>{text.limits}</Line> : null}
      <FieldRow>
        {limits.map((l) => (
          <TextField
            key={l.key}
            label={l.label}
            value={form.limits[l.key] ?? ''}
            mode="decimal"
            onChange={(t) => put({ limits: { ...form.limits, [l.key]: t } })}
            problem={read(form.limits[l.key] ?? '', form.unit).problem}
          />
        ))}
      </FieldRow>
      {what === 'strip' ? <StripMarks form={form} put={put} /> : null}
    </>
  );
}

function Judgement({
  form,
  put,
  judged,
  odd,
}: {
  form: Form;
  put: Put;
  judged: NonNullable<ReturnType<typeof measuringOf>['judged']>;
  odd: readonly string[];
}) {
  const { format } = useSignedIn();
  return (
    <>
      <Line strong>{measuringText.result}</Line>
      <Odd form={form} put={put} odd={odd} />
      <Result what={form.what ?? 'gap'} judged={judged} unit={form.unit} format={format} />
      {judged.verdict === 'pass' ? null : (
        <ChoiceField
          label={text.then}
          value={form.then || undefined}
          options={(Object.keys(text.thens) as Then[]).map((t) => ({
            value: t as string,
            text: text.thens[t],
          }))}
          onChange={(then) => put({ then })}
        />
      )}
      {judged.verdict === 'pass' ? null : <Prices form={form} put={put} />}
      <TextField
        label={text.note}
        value={form.note}
        onChange={(note) => put({ note: note.slice(0, 1000) })}
      />
    </>
  );
}

/** Flatten or replace: what each costs, before it is decided. */
function Prices({ form, put }: { form: Form; put: Put }) {
  const { format } = useSignedIn();
  const [mend, replace] = [parseCents(form.mend), parseCents(form.replace)];
  return (
    <>
      <FieldRow>
        <TextField
          label={text.mend}
          value={form.mend}
          mode="decimal"
          onChange={(t) => put({ mend: t })}
          problem={mend === undefined ? text.priceWrong : undefined}
        />
        <TextField
          label={text.replace}
          value={form.replace}
          mode="decimal"
          onChange={(t) => put({ replace: t })}
          problem={replace === undefined ? text.priceWrong : undefined}
        />
      </FieldRow>
      {typeof mend === 'number' && typeof replace === 'number' ? (
        <Line strong>{cheaper({ mend, replace }, format)}</Line>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  half: { flex: 1, minWidth: 0, gap: 12 },
});
