import { useState } from 'react';
import { writtenOut } from '@stennet/core/draft';
import type { Stage } from '@stennet/core/procedure';
import { BigButton, ChoiceField, FieldRow, NumberField, Section } from '@/ui';
import { text } from '../text';

/**
 * Stages that are done several times over with loosening between, written out: each time is a stage
 * of its own, and is asked and recorded as one.
 */
export function DoAgain({
  stages,
  at,
  onPut,
}: {
  stages: readonly Stage[];
  at: number;
  onPut: (next: Stage[], last: number) => void;
}) {
  const [from, setFrom] = useState<string>(stages[Math.max(0, at - 1)]?.id ?? '');
  const [times, setTimes] = useState<number | undefined>(2);
  const first = stages.findIndex((s) => s.id === from);
  const isGood =
    first >= 0 && first <= at && times !== undefined && Number.isInteger(times) && times > 1;
  if (at === 0) return null;
  return (
    <Section title={text.doAgain}>
      <ChoiceField
        label={text.againFrom}
        value={from}
        options={stages.slice(0, at + 1).map((s, i) => ({
          value: s.id,
          text: `${i + 1}. ${s.name || s.id}`,
        }))}
        onChange={setFrom}
      />
      <FieldRow>
        <NumberField label={text.againTimes} value={times} onChange={setTimes} />
        <BigButton
          text={text.writeOut}
          look="plain"
          size="desk"
          disabled={!isGood || times > 10}
          onPress={() =>
            onPut(
              writtenOut(stages, first, at, times ?? 2),
              at + (at - first + 1) * ((times ?? 2) - 1),
            )
          }
        />
      </FieldRow>
    </Section>
  );
}
