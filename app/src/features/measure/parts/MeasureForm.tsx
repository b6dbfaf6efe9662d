import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { measureKinds, MEASURE_KINDS, type MeasureKindId } from '@stennet/core/measure';
import { parseCents } from '@stennet/core/quantity';
import { saveEntry, useSignedIn } from '@/data';
import { FormChoice, FormText, useKeptFields, type KeptFields } from '@/forms';
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
import { MeasureFields, type MeasurementEntry } from '../measureEntry';
import { cheaper, text } from '../text';

/**
 * One measurement: what, by what, its limits, place after place with large fields, and what it
 * comes to while it is typed.
 */
export function MeasureForm({ order, onSaved }: { order: string; onSaved: () => void }) {
  const isWide = useIsWide();
  const [id] = useState(newId);
  const fields = useKeptFields<Form, MeasurementEntry>(
    `measure ${order}`,
    emptyForm(id),
    MeasureFields as never,
  );
  const { form: hook, values: form, fill: put, clear, isTouched, isRestored } = fields;
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
  const save = hook.handleSubmit((body) =>
    saveEntry({ order, entry: form.id, body }).then(
      () => {
        clear();
        onSaved();
      },
      () => setProblem(true),
    ),
  );
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
            <FormText control={hook.control} name="of" label={text.of} />
            <Controller
              control={hook.control}
              name="instrument"
              render={({ field, fieldState }) => (
                <Instrument
                  form={form}
                  put={put}
                  problem={fieldState.error?.message}
                  inputRef={field.ref}
                />
              )}
            />
            {judged ? (
              <Judgement fields={fields} judged={judged} odd={odd} />
            ) : (
              <Missing isAsked={Boolean(hook.formState.errors.rows)} />
            )}
            <BigButton text={text.save} onPress={() => void save()} />
            {isTouched ? (
              <BigButton text={text.letGo} look="quiet" size="desk" onPress={clear} />
            ) : null}
          </View>
        </View>
      ) : null}
    </Section>
  );
}

/** What a verdict still needs; said aloud to who asked for one. */
function Missing({ isAsked }: { isAsked: boolean }) {
  return isAsked ? (
    <Notice title={measuringText.missing} look="warn" alert />
  ) : (
    <Line>{measuringText.missing}</Line>
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
  fields: { form: hook, values: form, fill: put },
  judged,
  odd,
}: {
  fields: KeptFields<Form, MeasurementEntry>;
  judged: NonNullable<ReturnType<typeof measuringOf>['judged']>;
  odd: readonly string[];
}) {
  const { format } = useSignedIn();
  const [mend, replace] = [parseCents(form.mend), parseCents(form.replace)];
  const { control } = hook;
  return (
    <>
      <Line strong>{measuringText.result}</Line>
      <Odd form={form} put={put} odd={odd} />
      <Result what={form.what ?? 'gap'} judged={judged} unit={form.unit} format={format} />
      {judged.verdict === 'pass' ? null : (
        <>
          <FormChoice
            control={control}
            name="then"
            label={text.then}
            options={Object.entries(text.thens).map(([value, then]) => ({ value, text: then }))}
          />
          {/* Flatten or replace: what each costs, before it is decided. */}
          <FieldRow>
            <FormText control={control} name="mend" label={text.mend} mode="decimal" />
            <FormText control={control} name="replace" label={text.replace} mode="decimal" />
          </FieldRow>
          {typeof mend === 'number' && typeof replace === 'number' ? (
            <Line strong>{cheaper({ mend, replace }, format)}</Line>
          ) : null}
        </>
      )}
      <FormText control={control} name="note" label={text.note} />
    </>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  half: { flex: 1, minWidth: 0, gap: 12 },
});
