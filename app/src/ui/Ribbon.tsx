import { commonText } from '@/language/common';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { stageRibbon, type RibbonPlace } from '@stennet/core/drawing';
import { stageWords, type Sheet } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import { DrawingView } from './DrawingView';

import { useInks } from './theme';

interface Props {
  sheet: Pick<Sheet, 'stages'>;
  place: RibbonPlace | null;
  format: Formatter;
  height?: number;
}

/** The procedure to scale on one strip, its values beneath; where the run is, is bold. */
export function Ribbon({ sheet, place, format, height = 62 }: Props) {
  const inks = useInks();
  const drawing = stageRibbon(sheet, place);
  const words = sheet.stages.map((s) => stageWords(s, format));
  const label = place
    ? commonText.ribbonAt({
        stages: words.join(', '),
        n: Math.min(place.stage + 1, words.length),
        of: words.length,
      })
    : commonText.ribbon({ stages: words.join(', ') });
  return (
    <View style={[styles.strip, { maxWidth: (height / drawing.height) * drawing.width }]}>
      <DrawingView drawing={drawing} label={label} width="100%" height={height} />
      <View aria-hidden style={styles.words}>
        {words.map((w, i) => (
          <Text
            key={i}
            style={[
              styles.word,
              {
                color: place?.stage === i ? inks.ink : inks.inkSoft,
                fontWeight: place?.stage === i ? '700' : '400',
              },
            ]}
          >
            {w}
          </Text>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { width: '100%' },
  words: { flexDirection: 'row' },
  word: { flex: 1, textAlign: 'center', fontSize: 14 },
});
