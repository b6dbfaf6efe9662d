import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { fastenerHead, type Head } from '@stennet/core/drawing';
import { DrawingView } from './DrawingView';
import { useInks } from './theme';

interface Props {
  text: string;
  /** Drawn as it looks from above. */
  head?: Head | undefined;
  /** Where the answer leads. */
  under?: readonly string[];
  on?: boolean;
  /** The drawing beside the words: lower, where several stand on a phone. */
  wide?: boolean;
}

const MIDDLE = { x: 50, y: 50 };

/**
 * An answer that can be seen at the vehicle. The screen that shows it puts it into a link or a
 * button.
 */
export function AnswerCard({ text, head, under = [], on = false, wide = false }: Props) {
  const inks = useInks();
  const size = wide ? 40 : 72;
  const drawing = head
    ? { x: 0, y: 0, width: 100, height: 100, shapes: fastenerHead(head, MIDDLE, 40, 0) }
    : null;
  return (
    <View
      style={[
        styles.answer,
        wide && styles.wide,
        {
          borderColor: on ? inks.brand : inks.line,
          borderWidth: on ? 3 : 1,
          padding: (wide ? 8 : 12) - (on ? 2 : 0),
        },
      ]}
    >
      {drawing ? <DrawingView drawing={drawing} label={text} width={size} height={size} /> : null}
      <Text
        style={{
          fontSize: 16,
          lineHeight: 22,
          color: inks.ink,
          textAlign: 'center',
          fontWeight: on ? '700' : '400',
          flexShrink: 1,
        }}
      >
        {text}
      </Text>
      {under.map((line) => (
        <Text key={line} style={{ fontSize: 14, color: inks.inkSoft, textAlign: 'center' }}>
          {line}
        </Text>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  answer: {
    borderRadius: 12,
    gap: 6,
    alignItems: 'center',
    minHeight: 64,
    justifyContent: 'center',
    flexGrow: 1,
  },
  wide: { flexDirection: 'row', gap: 10, minHeight: 60 },
});
