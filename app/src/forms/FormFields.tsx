import { useState, type ReactElement } from 'react';
import { StyleSheet, View } from 'react-native';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { IconButton, TextInput } from 'react-native-paper';
import { DatePickerInput } from 'react-native-paper-dates';
import { useSignedIn } from '@/data';
import { commonText } from '@/language/common';
import { ChoiceField, PinField, Problem, stillLabel, TextField } from '@/ui';
import { CalendarDialog, TimeDialog } from './FieldDialog';
import { datesIn, dayOf, momentAt, ofDay, onShopClock } from './dates';

interface Named<T extends FieldValues> {
  /** Of a form from `useKeptFields`. */
  control: unknown;
  name: FieldPath<T>;
  label: string;
}
interface Held {
  value: string;
  onChange: (value: string) => void;
  inputRef: (field: { focus: () => void } | null) => void;
  problem: string | undefined;
}

interface Shown {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string | undefined;
}

/** One field of a form: what stands in it, and what is wrong with it. */
function Field<T extends FieldValues>({
  control,
  name,
  children,
}: Omit<Named<T>, 'label'> & { children: (held: Held) => ReactElement }) {
  return (
    <Controller
      control={control as Control<T>}
      name={name}
      render={({ field, fieldState }) =>
        children({
          value: field.value as string,
          onChange: field.onChange,
          inputRef: field.ref,
          problem: fieldState.error?.message,
        })
      }
    />
  );
}

/** Text, with what is wrong with it beneath. */
export function FormText<T extends FieldValues>({
  control,
  name,
  ...shown
}: Named<T> & {
  lines?: number;
  hint?: string;
  /** Said where nothing is wrong. */
  note?: string | undefined;
  mode?: 'text' | 'decimal' | 'tel' | 'email';
  onSubmit?: () => void;
}) {
  return (
    <Field<T> control={control} name={name}>
      {(held) => <TextField {...shown} {...held} />}
    </Field>
  );
}

/** A password or a PIN, never shown. */
export function FormSecret<T extends FieldValues>({
  control,
  name,
  ...shown
}: Named<T> & { isDigits?: boolean; onSubmit?: () => void }) {
  return (
    <Field<T> control={control} name={name}>
      {(held) => <PinField isDigits={false} {...shown} {...held} />}
    </Field>
  );
}

/** One of a few. */
export function FormChoice<T extends FieldValues>({
  control,
  name,
  ...shown
}: Named<T> & { options: readonly { value: string; text: string }[] }) {
  return (
    <Field<T> control={control} name={name}>
      {({ inputRef: _ref, ...held }) => <ChoiceField {...shown} {...held} />}
    </Field>
  );
}

/**
 * A day, typed the way the shop writes it or picked from a calendar; kept as `2018-03-12`. What is
 * typed half way is handed on as it is, so that it is refused instead of lost.
 */
export function DayField({ label, value, onChange, problem }: Shown) {
  const { me } = useSignedIn();
  const [open, setOpen] = useState(false);
  const locale = datesIn(me.shop.locale);
  const day = ofDay(value);
  return (
    <View style={styles.field}>
      <View>
        <DatePickerInput
          mode="outlined"
          locale={locale}
          label={label}
          accessibilityLabel={label}
          inputMode="start"
          withModal={false}
          value={day}
          onChange={(at) => at && onChange(dayOf(at))}
          onChangeText={(typed) => {
            if (typed === '' || day) onChange('');
            else if (typed) onChange(typed);
          }}
          hasError={Boolean(problem)}
          hideValidationErrors
          withDateFormatInLabel={false}
          placeholder={sampleDay(me.shop.locale)}
          style={styles.text}
        />
        <IconButton
          icon="calendar"
          size={24}
          accessibilityLabel={commonText.calendar({ label })}
          onPress={() => setOpen(true)}
          style={styles.icon}
        />
      </View>
      {open ? (
        <CalendarDialog
          label={label}
          locale={locale}
          day={day}
          onClose={() => setOpen(false)}
          onTake={(date) => {
            setOpen(false);
            onChange(dayOf(date));
          }}
        />
      ) : null}
      <Problem text={problem} />
    </View>
  );
}

export function FormDay<T extends FieldValues>({ control, name, label }: Named<T>) {
  return (
    <Field<T> control={control} name={name}>
      {({ inputRef: _ref, ...held }) => <DayField label={label} {...held} />}
    </Field>
  );
}

/** A moment on the shop's own clock: a day and a time. Empty as long as one of them is missing. */
export function MomentField({ label, value, onChange, problem }: Shown) {
  const { me, format } = useSignedIn();
  const { timeZone, locale } = me.shop;
  const at = onShopClock(value, timeZone);
  const [day, setDay] = useState(at.day);
  const [open, setOpen] = useState(false);
  const shown = at.day ? at : { day, time: '' };
  const put = (next: { day: string; time: string }): void => {
    setDay(next.day);
    // Half a day is handed on as it is typed: it is no moment, and is refused as such.
    onChange(next.day && (momentAt(next.day, next.time, timeZone) || next.day));
  };
  const [hours = 17, minutes = 0] = (shown.time || '17:00').split(':').map(Number);
  return (
    <View style={styles.moment}>
      <View style={styles.day}>
        {/* A promise without a time means the end of the day's work. */}
        <DayField
          label={label}
          value={shown.day}
          onChange={(next) => put({ day: next, time: shown.time || '17:00' })}
          problem={problem}
        />
      </View>
      <View style={styles.time}>
        <TextInput
          theme={stillLabel}
          mode="outlined"
          label={commonText.time}
          accessibilityLabel={`${label}, ${commonText.time}`}
          value={at.day ? format.time(new Date(value)) : ''}
          onPressIn={() => setOpen(true)}
          onKeyPress={({ nativeEvent }) => {
            if (nativeEvent.key === 'Enter' || nativeEvent.key === ' ') setOpen(true);
          }}
          readOnly
          style={styles.text}
          right={
            <TextInput.Icon
              icon="clock-outline"
              accessibilityLabel={commonText.pickTime}
              onPress={() => setOpen(true)}
            />
          }
        />
        {open ? (
          <TimeDialog
            locale={datesIn(locale)}
            at={{ hours, minutes }}
            onClose={() => setOpen(false)}
            onTake={({ hours: h, minutes: m }) => {
              setOpen(false);
              put({
                day: shown.day || onShopClock(new Date().toISOString(), timeZone).day,
                time: clock(h, m),
              });
            }}
          />
        ) : null}
      </View>
    </View>
  );
}

export function FormMoment<T extends FieldValues>({ control, name, label }: Named<T>) {
  return (
    <Field<T> control={control} name={name}>
      {({ inputRef: _ref, ...held }) => <MomentField label={label} {...held} />}
    </Field>
  );
}

const two = (n: number): string => String(n).padStart(2, '0');
const clock = (hours: number, minutes: number): string => `${two(hours)}:${two(minutes)}`;
/** How the shop writes a day, shown where none stands yet. */
const sampleDay = (locale: string): string =>
  new Intl.DateTimeFormat(locale, { day: '2-digit', month: '2-digit', year: 'numeric' }).format(
    new Date(2018, 2, 12),
  );

const styles = StyleSheet.create({
  field: { gap: 6, minHeight: 56 },
  text: { fontSize: 17 },
  icon: { position: 'absolute', right: 2, top: 8, margin: 0, width: 48, height: 48 },
  moment: { flexDirection: 'row', gap: 8 },
  day: { flex: 3 },
  time: { flex: 2 },
});
