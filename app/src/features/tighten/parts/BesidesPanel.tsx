import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { units, type Quantity } from '@stennet/core/quantity';
import { fastenerId, type RunState } from '@stennet/core/run';
import { BigButton } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { ReadingForm } from './ReadingForm';

interface Props {
  /** One, or a whole round. */
  fasteners: readonly string[];
  state: RunState;
  acts: Acts;
  onClose: () => void;
}

/** What the sheet does not ask for: recorded with its value where someone knows it, never lost. */
export function BesidesPanel({ fasteners, state, acts, onClose }: Props) {
  const [action, setAction] = useState<'torque' | 'angle' | null>(null);
  const unit =
    action === 'angle'
      ? 'deg'
      : (state.sheet.stages.find((s) => s.action === 'torque')?.target?.unit ?? 'N.m');
  const add = (what: 'torque' | 'angle' | 'loosen', value?: Quantity): void =>
    void acts.confirm('added', {
      fasteners: [...fasteners],
      action: what,
      ...(value ? { value } : {}),
    });
  if (action)
    return (
      <ReadingForm
        title={text.added[action]}
        label={
          action === 'angle' ? text.angleLabel : text.torqueLabel({ unit: units[unit].symbol })
        }
        hint={text.besidesValue}
        onRecord={(value) => add(action, { value, unit })}
        onUnknown={() => add(action)}
        onCancel={() => setAction(null)}
      />
    );
  return (
    <View style={styles.panel}>
      <PanelTitle>{text.besidesTitle}</PanelTitle>
      <PanelBody>
        {fasteners.length > 1 ? text.besidesRound({ n: fasteners.length }) : text.besidesText}
      </PanelBody>
      <BigButton text={text.added.torque} look="warn" onPress={() => setAction('torque')} />
      <BigButton text={text.added.angle} look="warn" onPress={() => setAction('angle')} />
      <BigButton text={text.added.loosen} look="warn" onPress={() => add('loosen')} />
      <BigButton text={text.cancel} look="quiet" onPress={onClose} />
    </View>
  );
}

/** Those that are in and not left out: what an extra round can have been pulled on. */
export const roundOf = ({ progress, sheet }: RunState): string[] =>
  sheet.seats.flatMap(({ id }) => {
    const seat = progress.seats[id];
    return seat?.fitted && !seat.leftOut ? [fastenerId(id, seat.life)] : [];
  });

const styles = StyleSheet.create({ panel: { gap: 12 } });
