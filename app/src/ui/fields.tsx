import {
  Children,
  Fragment,
  isValidElement,
  useState,
  type ReactElement,
  type Ref,
  type ReactNode,
} from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput, TouchableRipple } from 'react-native-paper';
import { AppError } from '@stennet/core/errors';
import { parseNumber } from '@stennet/core/quantity';
import { pressedBySpace } from './spaceKey';
import { stillLabel, useInks } from './theme';

interface TextFieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong with it, beneath it. */
  problem?: string | undefined;
  /** Said beneath it where nothing is wrong. */
  note?: string | undefined;
  lines?: number;
  hint?: string;
  mode?: 'text' | 'decimal' | 'tel' | 'email';
  mono?: boolean;
  onSubmit?: () => void;
  autoFocus?: boolean;
  /** Where the first field with a problem is found. */
  inputRef?: Ref<{ focus: () => void }>;
}

export function TextField({
  label,
  value,
  onChange,
  problem,
  note,
  lines = 1,
  hint,
  mode = 'text',
  onSubmit,
  autoFocus,
  inputRef,
}: TextFieldProps) {
  return (
    <View style={styles.field}>
      <TextInput
        theme={stillLabel}
        ref={inputRef as never}
        mode="outlined"
        label={label}
        accessibilityLabel={label}
        value={value}
        onChangeText={onChange}
        error={Boolean(problem)}
        multiline={lines > 1}
        numberOfLines={lines}
        inputMode={mode}
        autoCapitalize="none"
        autoFocus={autoFocus}
        onSubmitEditing={onSubmit}
        {...(hint ? { placeholder: hint } : {})}
        style={{ fontSize: 17 }}
      />
      {problem || !note ? <Problem text={problem} /> : <Note text={note} />}
    </View>
  );
}

function Note({ text }: { text: string }) {
  const inks = useInks();
  return <Text style={[styles.problem, { fontSize: 15, color: inks.inkSoft }]}>{text}</Text>;
}

interface NumberFieldProps extends Omit<TextFieldProps, 'value' | 'onChange' | 'lines' | 'mode'> {
  value: number | undefined;
  /** undefined: nothing stands there. */
  onChange: (value: number | undefined) => void;
  optional?: boolean;
}

/**
 * A number typed with point or comma. What is no number stays as it was typed and says so; the last
 * good one is kept.
 */
export function NumberField({ value, onChange, problem, ...rest }: NumberFieldProps) {
  const [typed, setTyped] = useState<{ text: string; of: number | undefined } | null>(null);
  const [unreadable, setUnreadable] = useState<string | undefined>(undefined);
  // Typed text stands as long as it means the value; an undo elsewhere takes it back.
  const text =
    typed && (typed.of === value || unreadable)
      ? typed.text
      : value === undefined
        ? ''
        : String(value);
  const change = (next: string): void => {
    if (next.trim() === '') {
      setTyped({ text: next, of: undefined });
      setUnreadable(undefined);
      onChange(undefined);
      return;
    }
    try {
      const number = parseNumber(next);
      setTyped({ text: next, of: number });
      setUnreadable(undefined);
      onChange(number);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      setTyped({ text: next, of: value });
      setUnreadable(error.message);
    }
  };
  return (
    <TextField
      {...rest}
      value={text}
      onChange={change}
      mode="decimal"
      problem={unreadable ?? problem}
    />
  );
}

export function Problem({ text }: { text: string | undefined }) {
  const inks = useInks();
  if (!text) return null;
  return (
    <View role="status" style={styles.problem}>
      <Text style={{ color: inks.warnText, fontSize: 15, lineHeight: 21 }}>{`▲ ${text}`}</Text>
    </View>
  );
}

interface ChoiceFieldProps<T extends string> {
  label: string;
  value: T | undefined;
  options: readonly { value: T; text: string }[];
  onChange: (value: T) => void;
  problem?: string | undefined;
}

/** One of a few: all of them in sight, nothing behind a menu. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  problem,
}: ChoiceFieldProps<T>) {
  return (
    <View style={styles.field} role="radiogroup" aria-label={label}>
      <FieldLabel>{label}</FieldLabel>
      <View style={styles.wrap}>
        {options.map((o) => (
          <Chip
            key={o.value}
            role="radio"
            text={o.text}
            on={o.value === value}
            onPress={() => onChange(o.value)}
          />
        ))}
      </View>
      <Problem text={problem} />
    </View>
  );
}

interface FlagsFieldProps<T extends string> {
  label: string;
  values: readonly T[];
  options: readonly { value: T; text: string }[];
  onChange: (values: T[]) => void;
  problem?: string | undefined;
}

/** Any of a few. */
export function FlagsField<T extends string>({
  label,
  values,
  options,
  onChange,
  problem,
}: FlagsFieldProps<T>) {
  const flip = (value: T): void =>
    onChange(values.includes(value) ? values.filter((v) => v !== value) : [...values, value]);
  return (
    <View style={styles.field} role="group" aria-label={label}>
      <FieldLabel>{label}</FieldLabel>
      <View style={styles.wrap}>
        {options.map((o) => (
          <Chip
            key={o.value}
            role="checkbox"
            text={o.text}
            on={values.includes(o.value)}
            onPress={() => flip(o.value)}
          />
        ))}
      </View>
      <Problem text={problem} />
    </View>
  );
}

export function FieldLabel({ children }: { children: string }) {
  const inks = useInks();
  return <Text style={{ fontSize: 15, color: inks.inkSoft }}>{children}</Text>;
}

interface ChipProps {
  role: 'radio' | 'checkbox' | 'tab';
  text: string;
  on: boolean;
  onPress: () => void;
  /** As high as a gloved thumb needs it. */
  size?: 'hand' | 'desk';
}

export function Chip({ role, text, on, onPress, size = 'desk' }: ChipProps) {
  const inks = useInks();
  const state = role === 'tab' ? { 'aria-selected': on } : { 'aria-checked': on };
  return (
    <View
      style={[
        styles.chip,
        {
          borderColor: on ? inks.brand : inks.partEdge,
          backgroundColor: on ? inks.brand : inks.card,
        },
      ]}
    >
      <TouchableRipple
        role={role as never}
        {...state}
        aria-label={text}
        onPress={onPress}
        {...pressedBySpace(onPress)}
        style={[styles.chipPress, size === 'hand' && styles.chipHand]}
      >
        <Text
          style={{
            fontSize: 16,
            color: on ? inks.onBrand : inks.ink,
            fontWeight: on ? '700' : '400',
          }}
        >
          {text}
        </Text>
      </TouchableRipple>
    </View>
  );
}

/** Children one by one, also those that stand in a fragment together. */
function flat(children: ReactNode): ReactElement[] {
  return Children.toArray(children).flatMap((child) => {
    if (!isValidElement<{ children?: ReactNode }>(child)) return [];
    return child.type === Fragment ? flat(child.props.children) : [child];
  });
}

/** Fields that share a line where there is room. */
export function FieldRow({ children }: { children: ReactNode }) {
  return (
    <View style={styles.row}>
      {flat(children).map((child, i) => (
        <View key={i} style={styles.cell}>
          {child}
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  field: { gap: 6 },
  cell: { flexGrow: 1, flexBasis: 150 },
  wrap: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 12, alignItems: 'flex-start' },
  problem: { paddingHorizontal: 4 },
  chip: { minWidth: 52, borderWidth: 2, borderRadius: 10, overflow: 'hidden' },
  chipPress: {
    minHeight: 48,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: 14,
  },
  chipHand: { minHeight: 64, paddingHorizontal: 18 },
});
