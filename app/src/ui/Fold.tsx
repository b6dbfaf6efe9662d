import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import Icon from './PaperIcon';
import { useInks } from './theme';

/** One line that opens the rest. */
export function Fold({
  title,
  label = title,
  children,
}: {
  title: string;
  /** What a screen reader calls it, where several of them say the same. */
  label?: string;
  children: ReactNode;
}) {
  const inks = useInks();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <TouchableRipple
        role="button"
        aria-expanded={isOpen}
        aria-label={label}
        onPress={() => setOpen(!isOpen)}
        style={styles.press}
      >
        <View style={styles.row}>
          <Text style={[styles.title, { color: inks.ink }]}>{title}</Text>
          <Icon name={isOpen ? 'chevron-up' : 'chevron-down'} size={24} color={inks.inkSoft} />
        </View>
      </TouchableRipple>
      {isOpen ? children : null}
    </>
  );
}

const styles = StyleSheet.create({
  press: { borderRadius: 8, minHeight: 48, marginVertical: -6, justifyContent: 'center' },
  row: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: 8 },
  title: { flexShrink: 1, fontSize: 16, fontWeight: '600' },
});
