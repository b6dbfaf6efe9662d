import { groupOfSeat } from '@stennet/core/procedure';
import { seatIdOf } from '@stennet/core/run';
import { useState } from 'react';
import { useSignedIn } from '@/data';
import { BigButton, NumberField, Chip } from '@/ui';
import { text, fastenerName } from '../text';
import { type GroupProps, type Fitted, Others, countsOf, Coat } from './FitParts';
import { PanelBody } from './PanelText';
import { Step } from './StepPanel';

/** Used again only if short enough: each has its length, or is a new one. */
export function Measured({ due, state, acts, group, onMode }: GroupProps) {
  const { format } = useSignedIn();
  const [lengths, setLengths] = useState<Record<string, number | undefined>>({});
  const [fresh, setFresh] = useState<ReadonlySet<string>>(new Set());
  const isMeasured = (f: string): boolean =>
    groupOfSeat(state.sheet, seatIdOf(f)).reuse === 'reuse-if-within-length';
  const flip = (f: string): void =>
    setFresh((was) => new Set(was.has(f) ? [...was].filter((x) => x !== f) : [...was, f]));
  const fitted = due.fasteners.map((fastener): Fitted => {
    if (fresh.has(fastener)) return { fastener, condition: 'new' };
    const lengthMm = lengths[fastener];
    return { fastener, condition: 'ownHole', ...(lengthMm === undefined ? {} : { lengthMm }) };
  });
  const most =
    group.maxLengthMm === undefined
      ? ''
      : format.quantity({ value: group.maxLengthMm, unit: 'mm' }).text;
  const allNew = due.fasteners.map((fastener): Fitted => ({ fastener, condition: 'new' }));
  const second = (
    <>
      <BigButton
        text={text.fitNewOnes}
        look="plain"
        onPress={() => void acts.confirm('fitted', { fasteners: allNew })}
      />
      <Others due={due} onMode={onMode} />
    </>
  );
  return (
    <Step
      title={text.fitTitle({ what: countsOf(state, due.fasteners) })}
      yes={text.lengthsYes}
      onYes={() => void acts.confirm('fitted', { fasteners: fitted })}
      state={state}
      second={second}
    >
      <PanelBody>{text.lengths({ most })}</PanelBody>
      <Coat group={group} />
      {due.fasteners.filter(isMeasured).map((f) => {
        const tooLong =
          !fresh.has(f) && group.maxLengthMm !== undefined && (lengths[f] ?? 0) > group.maxLengthMm;
        return (
          <LengthRow
            key={f}
            name={fastenerName(state.sheet, f)}
            value={lengths[f]}
            isNew={fresh.has(f)}
            problem={tooLong ? text.lengths({ most }) : undefined}
            onLength={(value) => setLengths((was) => ({ ...was, [f]: value }))}
            onNew={() => flip(f)}
          />
        );
      })}
    </Step>
  );
}

interface LengthProps {
  name: string;
  value: number | undefined;
  isNew: boolean;
  problem: string | undefined;
  onLength: (value: number | undefined) => void;
  onNew: () => void;
}

function LengthRow({ name, value, isNew, problem, onLength, onNew }: LengthProps) {
  return (
    <>
      {isNew ? null : (
        <NumberField
          label={text.lengthOf({ bolt: name })}
          value={value}
          onChange={onLength}
          problem={problem}
        />
      )}
      <Chip role="checkbox" text={text.isNew({ bolt: name })} on={isNew} onPress={onNew} />
    </>
  );
}
