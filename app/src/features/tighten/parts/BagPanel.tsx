import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { parseNumber } from '@stennet/core/quantity';
import { groupOfSeat } from '@stennet/core/procedure';
import { seatIdOf } from '@stennet/core/run';
import { BigButton, Chip, TextField } from '@/ui';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import type { StepProps } from './StepPanel';

/**
 * Where what came out is kept: one group after the other, or fewer at a time where they go into
 * several bags.
 */
export function BagPanel({ due, state, acts, onGoBack }: StepProps<'bag'>) {
  const first = due.fasteners[0] ?? '';
  const group = groupOfSeat(state.sheet, seatIdOf(first));
  const own = due.fasteners.filter((f) => groupOfSeat(state.sheet, seatIdOf(f)).id === group.id);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [bag, setBag] = useState('');
  const [length, setLength] = useState('');
  const chosen = own.filter((f) => !out.has(f));
  const lengthMm = length.trim() === '' ? undefined : numberIn(length);
  const toggle = (f: string): void =>
    setOut((was) => new Set(was.has(f) ? [...was].filter((x) => x !== f) : [...was, f]));
  const confirm = (): void =>
    void acts.confirm('bagged', {
      fasteners: chosen,
      bag: bag.trim(),
      ...(typeof lengthMm === 'number' ? { lengthMm } : {}),
    });
  return (
    <View style={styles.panel}>
      <PanelTitle>{`${text.bagTitle} ${group.name}`}</PanelTitle>
      <PanelBody>
        {group.reuse === 'replace' ? text.bagScrap : text.bagText({ n: own.length })}
      </PanelBody>
      <View role="group" aria-label={text.bagWhich} style={styles.chips}>
        {own.map((f) => (
          <Chip
            size="hand"
            key={f}
            role="checkbox"
            text={fastenerName(state.sheet, f)}
            on={!out.has(f)}
            onPress={() => toggle(f)}
          />
        ))}
      </View>
      <TextField label={text.bagLabel} value={bag} onChange={(t) => setBag(t.slice(0, 40))} />
      <TextField
        label={text.bagLength}
        value={length}
        mode="decimal"
        onChange={setLength}
        problem={lengthMm === null ? text.lengthWrong : undefined}
        {...(group.lengthMm ? { hint: String(group.lengthMm) } : {})}
      />
      <BigButton
        text={text.bagYes({ count: chosen.length })}
        disabled={!bag.trim() || chosen.length === 0 || lengthMm === null}
        onPress={confirm}
      />
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

function numberIn(typed: string): number | null {
  try {
    const value = parseNumber(typed);
    return value > 0 ? value : null;
  } catch {
    return null;
  }
}

const styles = StyleSheet.create({
  panel: { gap: 12 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
});
