import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import { useSteady } from './useSteady';
import { useInks } from './theme';

interface Props {
  text: string;
  /** What it is called where the visible sign is not enough. */
  label?: string;
  onPress: () => void;
  disabled?: boolean;
}

/**
 * A button at the top of a screen: as large for a glove as any other, and drawn smaller, with the
 * head's own ground around it.
 */
export function HeadButton({ text, label = text, onPress, disabled = false }: Props) {
  const inks = useInks();
  return (
    <TouchableRipple
      role="button"
      aria-label={label}
      onPress={useSteady(onPress)}
      disabled={disabled}
      style={styles.target}
    >
      <View
        style={[
          styles.face,
          { backgroundColor: inks.card, borderColor: inks.line, opacity: disabled ? 0.55 : 1 },
        ]}
      >
        <Text style={[styles.text, { color: inks.ink }]}>{text}</Text>
      </View>
    </TouchableRipple>
  );
}

const styles = StyleSheet.create({
  target: { minHeight: 64, minWidth: 64, justifyContent: 'center', borderRadius: 12 },
  face: {
    minHeight: 48,
    borderWidth: 2,
    borderRadius: 12,
    paddingHorizontal: 12,
    justifyContent: 'center',
    alignItems: 'center',
  },
  text: { fontWeight: '700', fontSize: 16, textAlign: 'center' },
});
