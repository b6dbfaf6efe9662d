import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { BigButton, useInks } from '@/ui';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

/**
 * Drops on the glass press nothing: it opens with two presses far apart, one after the other. Keys
 * and pedals go on.
 */
export function GlassGuard({ onOpen }: { onOpen: () => void }) {
  const inks = useInks();
  const [first, setFirst] = useState(false);
  return (
    <View style={[styles.guard, { backgroundColor: inks.card, borderTopColor: inks.brand }]}>
      <PanelTitle>{text.lockedTitle}</PanelTitle>
      <PanelBody>{`${text.lockedText} ${text.lockText}`}</PanelBody>
      <View style={styles.row}>
        <View style={styles.key}>
          <BigButton
            text={text.unlock({ n: 1 })}
            look={first ? 'main' : 'plain'}
            onPress={() => setFirst(true)}
          />
        </View>
        <View style={styles.key}>
          <BigButton
            text={text.unlock({ n: 2 })}
            look="plain"
            onPress={() => (first ? onOpen() : undefined)}
          />
        </View>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  guard: { padding: 14, gap: 12, borderTopWidth: 2 },
  row: { flexDirection: 'row', justifyContent: 'space-between' },
  key: { width: 96 },
});
