import { StyleSheet, View } from 'react-native';
import { fastenerId, type PullNext, type RunState } from '@stennet/core/run';
import { BigButton, Chip } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

/** The bar was on another one: which. The one on the screen is asked next. */
export function AnotherPanel({
  due,
  state,
  acts,
  onClose,
}: {
  due: PullNext;
  state: RunState;
  acts: Acts;
  onClose: () => void;
}) {
  const others = state.sheet.seats.flatMap((s) => {
    const seat = state.progress.seats[s.id];
    return seat && s.id !== due.seat && seat.fitted && !seat.leftOut
      ? [fastenerId(s.id, seat.life)]
      : [];
  });
  return (
    <View style={styles.panel}>
      <PanelTitle>
        {text.anotherTitle({ bolt: fastenerName(state.sheet, due.fastener) })}
      </PanelTitle>
      <PanelBody>{text.anotherText}</PanelBody>
      <View role="group" aria-label={text.another} style={styles.chips}>
        {others.map((f) => (
          <Chip
            key={f}
            size="hand"
            role="radio"
            text={fastenerName(state.sheet, f)}
            on={false}
            onPress={() =>
              void acts.pull(due, due.outcomes[0] ?? 'done', {
                fastener: f,
                insteadOf: due.fastener,
              })
            }
          />
        ))}
      </View>
      <BigButton text={text.cancel} look="quiet" onPress={onClose} />
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { gap: 12 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
});
