import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import { useSteady } from './useSteady';
import { useInks } from './theme';

interface Props {
  text: string;
  onPress: () => void;
  /** main: the one thing to do. plain: an equal choice. quiet: beside. warn: something is wrong. */
  look?: 'main' | 'plain' | 'quiet' | 'warn';
  size?: 'hand' | 'desk';
  hint?: string;
  /**
   * What it is called where the visible words are not enough; it begins with them or holds them.
   */
  label?: string;
  disabled?: boolean;
  grow?: boolean;
}

/**
 * A target for a gloved thumb: 64 px high on Tighten, 52 elsewhere. What it does is new with each
 * confirmation; as long as it says the same, nothing of it is drawn again.
 */
export function BigButton({ onPress, ...looks }: Props) {
  return <Face {...looks} onPress={useSteady(onPress)} />;
}

const Face = memo(function Face({
  text,
  onPress,
  look = 'main',
  size = 'hand',
  hint,
  label = text,
  disabled = false,
  grow = false,
}: Props) {
  const inks = useInks();
  const colours = {
    main: { back: inks.brand, ink: inks.onBrand, edge: inks.brand },
    plain: { back: inks.card, ink: inks.brand, edge: inks.brand },
    quiet: { back: inks.card, ink: inks.ink, edge: inks.line },
    warn: { back: inks.card, ink: inks.warnText, edge: inks.warn },
  }[look];
  const height = size === 'hand' ? (look === 'main' || look === 'plain' ? 72 : 64) : 52;
  return (
    <View
      style={[
        styles.frame,
        { backgroundColor: colours.back, borderColor: colours.edge, opacity: disabled ? 0.55 : 1 },
        grow && styles.grow,
      ]}
    >
      <TouchableRipple
        onPress={onPress}
        disabled={disabled}
        role="button"
        aria-label={label}
        style={[styles.press, { minHeight: height }]}
      >
        <View style={styles.words}>
          <Text
            style={[
              styles.text,
              { color: colours.ink, fontSize: look === 'main' || look === 'plain' ? 18 : 16 },
            ]}
          >
            {text}
          </Text>
          {hint ? <Text style={{ color: colours.ink, fontSize: 14 }}>{hint}</Text> : null}
        </View>
      </TouchableRipple>
    </View>
  );
});

const styles = StyleSheet.create({
  frame: { borderRadius: 12, borderWidth: 2, overflow: 'hidden' },
  grow: { flex: 1 },
  press: { flexGrow: 1, justifyContent: 'center', paddingHorizontal: 12, paddingVertical: 8 },
  words: { alignItems: 'center' },
  text: { fontWeight: '700', textAlign: 'center' },
});
