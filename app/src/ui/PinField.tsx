import type { Ref } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { Problem } from './fields';
import { stillLabel } from './theme';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  isDigits?: boolean;
  problem?: string | undefined;
  inputRef?: Ref<{ focus: () => void }>;
  onSubmit?: () => void;
}

/** A secret: never shown, never kept, never offered again by the browser. */
export function PinField({
  label,
  value,
  onChange,
  isDigits = true,
  problem,
  inputRef,
  onSubmit,
}: Props) {
  return (
    <View style={{ gap: 6 }}>
      <TextInput
        theme={stillLabel}
        ref={inputRef as never}
        mode="outlined"
        label={label}
        accessibilityLabel={label}
        value={value}
        onChangeText={onChange}
        onSubmitEditing={onSubmit}
        error={Boolean(problem)}
        secureTextEntry
        autoComplete="off"
        {...(isDigits ? { inputMode: 'numeric' as const, maxLength: 8 } : {})}
        style={{ fontSize: isDigits ? 20 : 17 }}
      />
      <Problem text={problem} />
    </View>
  );
}
