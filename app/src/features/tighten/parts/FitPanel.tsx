import { useState } from 'react';
import { otherCompound } from '@stennet/core/prepare';
import { groupOfSeat, usedOnce, type Group } from '@stennet/core/procedure';
import { seatIdOf } from '@stennet/core/run';
import { FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { BenchLink, BigButton } from '@/ui';
import { OtherCompound } from '@/ui/work';
import { useRunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { LeadWord } from './LeadWord';
import { PanelBody } from './PanelText';
import { Step, type StepProps } from './StepPanel';
import { Measured } from './FitMeasured';
import {
  type Mode,
  type GroupProps,
  countsOf,
  Others,
  Coat,
  FromBags,
  useOtherCompound,
} from './FitParts';

/**
 * Fasteners in by hand: new ones, their own again, or measured; anything else is the lead's
 * approval.
 */
export function FitPanel(props: StepProps<'fit'>) {
  const { due, state, acts } = props;
  const [mode, setMode] = useState<Mode>('fit');
  const [first] = due.fasteners;
  if (!first) return null;
  const group = groupOfSeat(state.sheet, seatIdOf(first));
  const back = (): void => setMode('fit');
  if (mode === 'reuse') {
    const say = { kind: 'allowance', about: { reuse: group.id }, decision: 'allow' } as const;
    return (
      <LeadWord
        acts={acts}
        title={text.reuseTitle({ group: group.name.toLowerCase() })}
        words={[{ label: text.leadSay, say, look: 'warn' }]}
        onCancel={back}
      />
    );
  }
  if (mode === 'compound') return <CompoundAsk {...props} group={group} onCancel={back} />;
  const needsLength = due.fasteners.some(
    (f) => groupOfSeat(state.sheet, seatIdOf(f)).reuse === 'reuse-if-within-length',
  );
  return needsLength && !due.newOnly ? (
    <Measured {...props} group={group} onMode={setMode} />
  ) : (
    <Plain {...props} group={group} onMode={setMode} />
  );
}

function Plain({ due, state, acts, group, onMode }: GroupProps) {
  const n = due.fasteners.length;
  const what = countsOf(state, due.fasteners);
  const say = (condition: 'new' | 'ownHole') => (): void =>
    void acts.confirm('fitted', {
      fasteners: due.fasteners.map((fastener) => ({ fastener, condition })),
    });
  if (due.newOnly) {
    const isAllowed = state.progress.allowed[`reuse:${group.id}`] !== undefined;
    const usedOnes = isAllowed ? (
      <BigButton text={text.fitOwn} hint={text.fitAllowed} look="plain" onPress={say('ownHole')} />
    ) : null;
    return (
      <Step
        title={text.fitNewTitle({ what })}
        yes={text.fitNewYes({ n })}
        onYes={say('new')}
        state={state}
        second={
          <>
            {usedOnes}
            <Others due={due} onMode={onMode} mayAsk={!isAllowed} />
          </>
        }
      >
        <PanelBody>
          {text.fitNew({ why: usedOnce(state.sheet, group)?.text ?? text.makerSays })}
        </PanelBody>
        <Coat group={group} />
        <PanelBody>{text.fit}</PanelBody>
      </Step>
    );
  }
  const second = (
    <>
      <BigButton text={text.fitNewOnes} look="plain" onPress={say('new')} />
      <Others due={due} onMode={onMode} />
    </>
  );
  return (
    <Step
      title={text.fitTitle({ what })}
      yes={text.fitOwn}
      onYes={say('ownHole')}
      state={state}
      second={second}
    >
      {group.reuse === 'replace' ? <PanelBody>{text.fitOld}</PanelBody> : null}
      <FromBags due={due} state={state} />
      <Coat group={group} />
      <PanelBody>{text.fit}</PanelBody>
    </Step>
  );
}

/** What another compound does to the clamp load, and the lead's approval for it. */
function CompoundAsk({
  state,
  acts,
  group,
  onCancel,
}: StepProps<'fit'> & { group: Group; onCancel: () => void }) {
  const before = useOtherCompound(group);
  const { joint } = useRunPlace();
  const [picked, setChosen] = useState<FrictionCondition | undefined>(undefined);
  const chosen = picked ?? before;
  const change = chosen ? otherCompound(state.sheet, group, chosen) : null;
  const say = { kind: 'allowance', about: { compound: group.id }, decision: 'allow' } as const;
  return (
    <>
      <OtherCompound
        label={text.compoundLabel}
        published={group.frictionCondition}
        chosen={chosen}
        onChoose={setChosen}
        change={change}
      />
      {chosen ? <BenchLink joint={joint} page="clamp" beside={chosen} size="hand" /> : null}
      {chosen ? (
        <LeadWord
          acts={acts}
          about={text.compoundSaid({ what: FRICTION_TEXT[chosen] })}
          words={[{ label: text.leadSay, say, look: 'warn' }]}
          onCancel={onCancel}
        />
      ) : (
        <BigButton text={text.cancel} look="quiet" onPress={onCancel} />
      )}
    </>
  );
}
