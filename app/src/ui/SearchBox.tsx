import { StyleSheet, TextInput, View } from 'react-native';
import Icon from './PaperIcon';
import { FONT, useInks } from './theme';

interface Props {
  label: string;
  /** What stands in it while it is empty, where the label is too long. */
  hint?: string;
  value: string;
  onChange: (value: string) => void;
  autoFocus?: boolean;
}

/** What someone looks for. Few pieces: it is drawn again with every key. */
export function SearchBox({ label, hint = label, value, onChange, autoFocus = false }: Props) {
  const inks = useInks();
  return (
    <View>
      <TextInput
        accessibilityLabel={label}
        placeholder={hint}
        placeholderTextColor={inks.inkSoft}
        value={value}
        onChangeText={onChange}
        autoFocus={autoFocus}
        autoCapitalize="none"
        autoCorrect={false}
        inputMode="search"
        style={[
          styles.box,
          { color: inks.ink, backgroundColor: inks.card, borderColor: inks.inkSoft },
        ]}
      />
      <View style={styles.sign}>
        <Icon name="magnify" color={inks.inkSoft} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    minHeight: 58,
    paddingLeft: 48,
    paddingRight: 14,
    borderWidth: 1,
    borderRadius: 12,
    fontFamily: FONT,
    fontSize: 18,
    textOverflow: 'ellipsis',
  } as never,
  sign: { position: 'absolute', left: 14, top: 17, pointerEvents: 'none' },
});
