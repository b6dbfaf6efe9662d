import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { DrawnRow } from '@stennet/core/drawing';
import { measureKinds, MEASURE_KINDS, type MeasureKindId } from '@stennet/core/measure';
import { convert, parseCents } from '@stennet/core/quantity';
import type { EntryOf } from '@stennet/core/order';
import { saveEntry, useSignedIn } from '@/data';
import { newId } from '@/platform/ids';
import { BigButton, Chip, ChoiceField, FieldRow, Line, Notice, Section, TextField, useIsWide } from '@/ui';
import { measuringOf, read, useMeasuring, type MeasureForm as Form } from '../hooks/useMeasuring';
import { KIND_TEXT, text } from '../text';
import { Drawn } from './Drawn';
import { Result } from './Result';

type Put = (change: Partial<Form>) => void;
type Then = NonNullable<EntryOf<'measurement'>['then']>;

/** One measurement: what, by what, its limits, place after place with large fields, and what it comes to while it is typed. */
export function MeasureForm({ order }: { order: string }) {
  const isWide = useIsWide();
  const [id] = useState(newId);
  const { form, put, clear, isTouched, isRestored } = useMeasuring(order, id);
  const [problem, setProblem] = useState(false);
  const { measured, judged, odd } = measuringOf(form);
  const begin = (what: MeasureKindId): void =>
    put({ ...(form.what === what ? {} : { rows: measureKinds[what].rows.map((row) => ({ row, values: [] })), limits: {}, current: 0, confirmed: false }), what });
  const ready = measured && judged && form.of.trim() && form.instrument.trim() && (odd.length === 0 || form.confirmed);
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
      rows: rows.filter((r) => r.values.some((v) => v !== null)).map((r) => ({ row: r.row, values: [...r.values] })),
      ...(strip && strip.length >= 2 ? { strip: strip.map(([w, c]): [number, number] => [w, c]) } : {}),
      verdict: judged.verdict,
      ...(judged.verdict !== 'pass' && typeof mend === 'number' && typeof replace === 'number' ? { prices: { mend, replace } } : {}),
      ...(judged.verdict !== 'pass' && form.then ? { then: form.then as Then } : {}),
      ...(form.note.trim() ? { note: form.note.trim() } : {}),
    };
    saveEntry({ order, entry: form.id, body }).then(clear, () => setProblem(true));
  };
  return (
    <Section title={text.choose}>
      {isRestored ? <Line>{text.kept}</Line> : null}
      {problem ? <Notice title={text.cannotKeep} look="warn" alert /> : null}
      <ChoiceField label={text.what} value={form.what ?? undefined} options={MEASURE_KINDS.map((k) => ({ value: k, text: KIND_TEXT[k].title }))} onChange={begin} />
      {form.what && measured ? (
        <View style={isWide ? styles.wide : styles.phone}>
          <View style={isWide ? styles.half : styles.phone}>
            <Line>{KIND_TEXT[form.what].say}</Line>
            <Head form={form} put={put} />
            <Limits form={form} put={put} what={form.what} />
          </View>
          <View style={isWide ? styles.half : styles.phone}>
            <Places form={form} put={put} what={form.what} rows={drawnRows(form, judged)} />
            {judged ? <Judgement form={form} put={put} judged={judged} odd={odd} /> : <Line>{text.missing}</Line>}
            <BigButton text={text.save} disabled={!ready} onPress={save} />
            {isTouched ? <BigButton text={text.letGo} look="quiet" size="desk" onPress={clear} /> : null}
          </View>
        </View>
      ) : null}
    </Section>
  );
}

/** What the drawing shows of each place: of leaves their mean, of two sides too. */
function drawnRows(form: Form, judged: ReturnType<typeof measuringOf>['judged']): DrawnRow[] {
  const skip = form.what === 'flatness' || form.what === 'warp' ? 1 : 0;
  return form.rows.map(({ row, values }) => {
    const numbers = values.slice(skip).flatMap((v) => read(v, form.unit).value ?? []);
    const mean = numbers.length > 0 ? numbers.reduce((s, n) => s + n, 0) / numbers.length : null;
    return { row, mm: mean === null ? null : convert({ value: mean, unit: form.unit }, 'mm'), verdict: judged?.found.find((f) => f.what === row)?.verdict ?? null };
  });
}

function Head({ form, put }: { form: Form; put: Put }) {
  return (
    <>
      <TextField label={text.of} value={form.of} onChange={(of) => put({ of: of.slice(0, 80) })} />
      <FieldRow>
        <TextField label={text.instrument} value={form.instrument} onChange={(instrument) => put({ instrument: instrument.slice(0, 80) })} />
        <TextField
          label={text.uncertainty}
          value={form.uncertainty}
          mode="decimal"
          onChange={(uncertainty) => put({ uncertainty })}
          problem={read(form.uncertainty, form.unit).problem}
        />
      </FieldRow>
      <ChoiceField
        label={text.unit}
        value={form.unit}
        options={[
          { value: 'mm', text: text.units.mm },
          { value: '[in_i]', text: text.units['[in_i]'] },
        ]}
        onChange={(unit) => put({ unit })}
      />
    </>
  );
}

function Limits({ form, put, what }: { form: Form; put: Put; what: MeasureKindId }) {
  const { limits } = measureKinds[what];
  const mark = (i: number, at: 0 | 1, typed: string): void => put({ strip: form.strip.map((m, k) => (k === i ? (at === 0 ? [typed, m[1]] : [m[0], typed]) : m)) });
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
      {what === 'strip' ? (
        <>
          <Line strong>{text.strip}</Line>
          {form.strip.map(([width, clearance], i) => (
            <FieldRow key={i}>
              <TextField label={text.stripWidth(i + 1)} value={width} mode="decimal" onChange={(t) => mark(i, 0, t)} problem={read(width, form.unit).problem} />
              <TextField label={text.stripClearance(i + 1)} value={clearance} mode="decimal" onChange={(t) => mark(i, 1, t)} problem={read(clearance, form.unit).problem} />
            </FieldRow>
          ))}
        </>
      ) : null}
    </>
  );
}

/** Places on one line share its name: they are numbered along it. */
function nameOf(rows: Form['rows'], at: number): string {
  const name = rows[at]?.row ?? '';
  const own = rows.flatMap((r, i) => (r.row === name ? [i] : []));
  return own.length > 1 ? `${name}, ${own.indexOf(at) + 1}` : name;
}

/** The place in hand with large fields, and all of them as a list to jump to. */
function Places({ form, put, what, rows }: { form: Form; put: Put; what: MeasureKindId; rows: readonly DrawnRow[] }) {
  const { columns } = measureKinds[what];
  const at = Math.min(form.current, form.rows.length - 1);
  const row = form.rows[at];
  const setRow = (change: Partial<Form['rows'][number]>): void => put({ confirmed: false, rows: form.rows.map((r, i) => (i === at ? { ...r, ...change } : r)) });
  const limit = (key: string): number | undefined => {
    const { value } = read(form.limits[key] ?? '', form.unit);
    return value === null ? undefined : convert({ value, unit: form.unit }, 'mm');
  };
  const [min, max] = [limit('min'), limit('max') ?? limit('overall')];
  return (
    <>
      <Line strong>{text.readings}</Line>
      <Drawn
        kind={what}
        rows={rows}
        limits={{ ...(min === undefined ? {} : { min }), ...(max === undefined ? {} : { max }) }}
        current={at}
        onPlace={(current) => put({ current })}
      />
      {row ? (
        <>
          <Line strong>{text.row(nameOf(form.rows, at), at + 1, form.rows.length)}</Line>
          <FieldRow>
            {columns.map((column, i) => (
              <TextField
                key={column}
                label={column}
                value={row.values[i] ?? ''}
                mode="decimal"
                onChange={(t) => setRow({ values: columns.map((_c, k) => (k === i ? t : (row.values[k] ?? ''))) })}
                problem={read(row.values[i] ?? '', form.unit).problem}
              />
            ))}
          </FieldRow>
        </>
      ) : null}
      <BigButton text={text.next} look="plain" disabled={at >= form.rows.length - 1} onPress={() => put({ current: at + 1 })} />
      <View style={styles.chips} role="radiogroup" aria-label={text.readings}>
        {form.rows.map((r, i) => (
          <Chip key={i} role="radio" text={`${nameOf(form.rows, i)}${rows[i]?.mm === null ? '' : ' ●'}`} on={i === at} onPress={() => put({ current: i })} />
        ))}
        <Chip
          role="radio"
          text={text.addRow}
          on={false}
          onPress={() => put({ rows: [...form.rows, { row: row && what === 'flatness' ? row.row : String(form.rows.length + 1), values: [] }], current: form.rows.length })}
        />
      </View>
    </>
  );
}

function Judgement({ form, put, judged, odd }: { form: Form; put: Put; judged: NonNullable<ReturnType<typeof measuringOf>['judged']>; odd: readonly string[] }) {
  const { format } = useSignedIn();
  return (
    <>
      <Line strong>{text.result}</Line>
      {odd.length > 0 ? (
        <>
          <Notice title={text.implausible(odd.join(', '))} look="warn" alert />
          <Chip role="checkbox" text={text.right} on={form.confirmed} onPress={() => put({ confirmed: !form.confirmed })} />
        </>
      ) : null}
      <Result what={form.what ?? 'gap'} judged={judged} unit={form.unit} format={format} />
      {judged.verdict === 'pass' ? null : (
        <ChoiceField
          label={text.then}
          value={form.then || undefined}
          options={(Object.keys(text.thens) as Then[]).map((t) => ({ value: t as string, text: text.thens[t] }))}
          onChange={(then) => put({ then })}
        />
      )}
      {judged.verdict === 'pass' ? null : <Prices form={form} put={put} />}
      <TextField label={text.note} value={form.note} onChange={(note) => put({ note: note.slice(0, 1000) })} />
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
        <TextField label={text.mend} value={form.mend} mode="decimal" onChange={(t) => put({ mend: t })} problem={mend === undefined ? text.priceWrong : undefined} />
        <TextField label={text.replace} value={form.replace} mode="decimal" onChange={(t) => put({ replace: t })} problem={replace === undefined ? text.priceWrong : undefined} />
      </FieldRow>
      {typeof mend === 'number' && typeof replace === 'number' ? <Line strong>{text.cheaper(format.price(mend), format.price(replace), mend <= replace)}</Line> : null}
    </>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  half: { flex: 1, minWidth: 0, gap: 12 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
