import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import PaperIcon from './PaperIcon';
import { useInks } from './theme';

interface Props {
  icon: string;
  text: string;
  on?: boolean;
  onPress: () => void;
}

/** A small thing that is wanted at any moment: an icon with its word. */
export function QuickTile({ icon, text, on = false, onPress }: Props) {
  const inks = useInks();
  return (
    <TouchableRipple
      role="button"
      aria-expanded={on}
      onPress={onPress}
      style={[
        styles.tile,
        { backgroundColor: inks.card, borderColor: on ? inks.brand : inks.line },
      ]}
    >
      <View style={styles.inner}>
        <PaperIcon name={icon} size={24} color={on ? inks.brand : inks.ink} />
        <Text style={{ fontSize: 14, fontWeight: '700', color: inks.ink }}>{text}</Text>
      </View>
    </TouchableRipple>
  );
}

const styles = StyleSheet.create({
  tile: { flexGrow: 1, flexBasis: 70, minHeight: 64, borderRadius: 14, borderWidth: 1 },
  inner: { alignItems: 'center', justifyContent: 'center', gap: 4, paddingVertical: 8 },
});
