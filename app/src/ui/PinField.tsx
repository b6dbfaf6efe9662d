import { TextInput } from 'react-native-paper';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  isDigits?: boolean;
}

/** A secret: never shown, never kept, never offered again by the browser. */
export function PinField({ label, value, onChange, isDigits = true }: Props) {
  return (
    <TextInput
      mode="outlined"
      label={label}
      accessibilityLabel={label}
      value={value}
      onChangeText={onChange}
      secureTextEntry
      autoComplete="off"
      {...(isDigits ? { inputMode: 'numeric' as const, maxLength: 8 } : {})}
      style={{ fontSize: isDigits ? 20 : 17 }}
    />
  );
}
