import { useState, type Ref } from 'react';
import { StyleSheet, View } from 'react-native';
import type { DrawnRow } from '@stennet/core/drawing';
import { measureKinds, rowText, type MeasureKindId } from '@stennet/core/measure';
import { convert } from '@stennet/core/quantity';
import { BigButton } from '../BigButton';
import { Chip, ChoiceField, FieldRow, TextField } from '../fields';
import { Notice } from '../Notice';
import { Line } from '../Section';
import { Drawn } from './Drawn';
import { read, type MeasureForm as Form, type Put } from './measuring';
import { text } from './text';

/** By what it is measured, how sure that is, and in what it is typed. */
export function Instrument({
  form,
  put,
  problem,
  inputRef,
}: {
  form: Form;
  put: Put;
  problem?: string | undefined;
  inputRef?: Ref<{ focus: () => void }>;
}) {
  return (
    <>
      <FieldRow>
        <TextField
          label={text.instrument}
          value={form.instrument}
          onChange={(instrument) => put({ instrument: instrument.slice(0, 80) })}
          problem={problem}
          {...(inputRef ? { inputRef } : {})}
        />
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

/** What is printed on the bag of the gauge strip. */
export function StripMarks({ form, put }: { form: Form; put: Put }) {
  const mark = (i: number, at: 0 | 1, typed: string): void =>
    put({
      strip: form.strip.map((m, k) => (k === i ? (at === 0 ? [typed, m[1]] : [m[0], typed]) : m)),
    });
  return (
    <>
      <Line strong>{text.strip}</Line>
      {form.strip.map(([width, clearance], i) => (
        <FieldRow key={i}>
          <TextField
            label={text.stripWidth({ n: i + 1 })}
            value={width}
            mode="decimal"
            onChange={(t) => mark(i, 0, t)}
            problem={read(width, form.unit).problem}
          />
          <TextField
            label={text.stripClearance({ n: i + 1 })}
            value={clearance}
            mode="decimal"
            onChange={(t) => mark(i, 1, t)}
            problem={read(clearance, form.unit).problem}
          />
        </FieldRow>
      ))}
    </>
  );
}

/** What can hardly be right is questioned before it is kept. */
export function Odd({ form, put, odd }: { form: Form; put: Put; odd: readonly string[] }) {
  if (odd.length === 0) return null;
  return (
    <>
      <Notice title={text.implausible({ row: odd.join(', ') })} look="warn" alert />
      <Chip
        role="checkbox"
        text={text.right}
        on={form.confirmed}
        onPress={() => put({ confirmed: !form.confirmed })}
      />
    </>
  );
}

/** Places on one line share its name: they are numbered along it. */
function nameOf(rows: Form['rows'], at: number): string {
  const name = rows[at]?.row ?? '';
  const own = rows.flatMap((r, i) => (r.row === name ? [i] : []));
  const said = rowText(name);
  return own.length > 1 ? `${said}, ${own.indexOf(at) + 1}` : said;
}

/** The place in hand with large fields, and all of them as a list to jump to. */
export function Places({
  form,
  put,
  what,
  rows,
}: {
  form: Form;
  put: Put;
  what: MeasureKindId;
  rows: readonly DrawnRow[];
}) {
  const { columns } = measureKinds[what];
  const at = Math.min(form.current, form.rows.length - 1);
  const row = form.rows[at];
  const setRow = (change: Partial<Form['rows'][number]>): void =>
    put({ confirmed: false, rows: form.rows.map((r, i) => (i === at ? { ...r, ...change } : r)) });
  const limit = (key: string): number | undefined => {
    const { value } = read(form.limits[key] ?? '', form.unit);
    return value === null ? undefined : convert({ value, unit: form.unit }, 'mm');
  };
  const [min, max] = [limit('min'), limit('max') ?? limit('overall')];
  const unit = text.units[form.unit];
  const limits = measureKinds[what].limits
    .flatMap((l) =>
      form.limits[l.key]?.trim() ? [`${l.label} ${form.limits[l.key]} ${unit}`] : [],
    )
    .join(' · ');
  // Enter goes on to the next place, the hand stays on the keys.
  const [walked, setWalked] = useState(-1);
  const goOn = (): void => {
    if (at >= form.rows.length - 1) return;
    setWalked(at + 1);
    put({ current: at + 1 });
  };
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
          <Line strong>
            {text.row({ row: nameOf(form.rows, at), n: at + 1, of: form.rows.length })}
          </Line>
          <Line>{limits || text.noLimit}</Line>
          <FieldRow>
            {columns.map((column, i) => (
              <TextField
                key={`${at} ${column}`}
                label={column}
                value={row.values[i] ?? ''}
                mode="decimal"
                onChange={(t) =>
                  setRow({ values: columns.map((_c, k) => (k === i ? t : (row.values[k] ?? ''))) })
                }
                problem={read(row.values[i] ?? '', form.unit).problem}
                autoFocus={walked === at && i === 0}
                onSubmit={() => (i < columns.length - 1 ? undefined : goOn())}
              />
            ))}
          </FieldRow>
        </>
      ) : null}
      <BigButton
        text={text.next}
        look="plain"
        disabled={at >= form.rows.length - 1}
        onPress={goOn}
      />
      <View style={styles.chips} role="radiogroup" aria-label={text.readings}>
        {form.rows.map((r, i) => (
          <Chip
            key={i}
            role="radio"
            text={`${nameOf(form.rows, i)}${rows[i]?.mm === null ? '' : ' ●'}`}
            on={i === at}
            onPress={() => put({ current: i })}
          />
        ))}
        <Chip
          role="radio"
          text={text.addRow}
          on={false}
          onPress={() =>
            put({
              rows: [
                ...form.rows,
                {
                  row: row && what === 'flatness' ? row.row : String(form.rows.length + 1),
                  values: [],
                },
              ],
              current: form.rows.length,
            })
          }
        />
        {form.rows.length > 1 ? (
          <Chip
            role="radio"
            text={text.removeRow}
            on={false}
            onPress={() =>
              put({
                confirmed: false,
                rows: form.rows.filter((_r, i) => i !== at),
                current: Math.max(0, at - 1),
              })
            }
          />
        ) : null}
      </View>
    </>
  );
}

const styles = StyleSheet.create({ chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } });
