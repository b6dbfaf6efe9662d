import { useRouter } from 'expo-router';
import { useState } from 'react';
import { otherCompound } from '@stennet/core/prepare';
import { groupOfSeat, usedOnce, type Group } from '@stennet/core/procedure';
import { seatIdOf, type PayloadOf } from '@stennet/core/run';
import { FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { useSignedIn } from '@/data';
import { BigButton, Chip, Notice, NumberField } from '@/ui';
import { CompoundsView, OtherCompound } from '@/ui/work';
import { useRunPlace } from '../hooks/useRunPlace';
import { fastenerName, text } from '../text';
import { LeadWord } from './LeadWord';
import { PanelBody } from './PanelText';
import { Step, type StepProps } from './StepPanel';

type Fitted = PayloadOf<'fitted'>['fasteners'][number];
type Mode = 'fit' | 'reuse' | 'compound';

/**
 * Fasteners in by hand: new ones, their own again, or measured; anything else is the lead's word.
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
        title={text.reuseTitle(group.name)}
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

interface GroupProps extends StepProps<'fit'> {
  group: Group;
  onMode: (mode: Mode) => void;
}

/**
 * Where those that are asked for are kept since they came out: each goes back into its own hole.
 */
function FromBags({ due, state }: Pick<GroupProps, 'due' | 'state'>) {
  const place = useRunPlace();
  const runs = place.joints.find((t) => t.id === place.joint)?.runs ?? [];
  const asked = new Set(due.fasteners.map(seatIdOf));
  return runs
    .filter((r) => r.instance === state.instance)
    .flatMap((r) => r.standing.bags)
    .flatMap(({ bag, fasteners }) => {
      const own = fasteners.filter((f) => asked.has(f));
      return own.length > 0
        ? [<PanelBody key={bag}>{text.bagFrom(bag, own.join(', '))}</PanelBody>]
        : [];
    });
}

function Coat({ group }: { group: Group }) {
  const other = useOtherCompound(group);
  return (
    <>
      <Published group={group} />
      {other ? (
        <Notice
          title={text.compoundChosen(FRICTION_TEXT[other])}
          text={text.compoundChosenText}
          look="warn"
          alert
        />
      ) : null}
    </>
  );
}

/** What was chosen on Prepare instead of the published compound. */
function useOtherCompound(group: Group): FrictionCondition | undefined {
  const place = useRunPlace();
  const kept = place.entries.find(
    (e) => e.body.kind === 'compound' && e.body.joint === place.joint && e.body.group === group.id,
  )?.body;
  return kept?.kind === 'compound' && kept.condition !== group.frictionCondition
    ? kept.condition
    : undefined;
}

function Published({ group }: { group: Group }) {
  return group.compounds.length > 0 ? (
    <CompoundsView group={group} />
  ) : (
    <PanelBody>{text.coat(text.noCompound)}</PanelBody>
  );
}

/** Ways beside the plain one; the lead's come last. */
function Others({
  due,
  onMode,
  mayAsk = true,
}: Pick<GroupProps, 'due' | 'onMode'> & { mayAsk?: boolean }) {
  const router = useRouter();
  return (
    <>
      <BigButton text={text.notYet} look="quiet" onPress={() => router.navigate('/')} />
      <BigButton text={text.compoundAsk} look="quiet" onPress={() => onMode('compound')} />
      {due.newOnly && mayAsk ? (
        <BigButton text={text.reuseAsk} look="warn" onPress={() => onMode('reuse')} />
      ) : null}
    </>
  );
}

/** How many of each kind: “2 long bolts, 6 short bolts”, never eight of the first. */
function countsOf({ sheet }: StepProps<'fit'>['state'], fasteners: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const f of fasteners)
    counts.set(
      groupOfSeat(sheet, seatIdOf(f)).name,
      (counts.get(groupOfSeat(sheet, seatIdOf(f)).name) ?? 0) + 1,
    );
  return [...counts].map(([name, n]) => `${n} ${name.toLowerCase()}`).join(', ');
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
        title={text.fitNewTitle(what)}
        yes={text.fitNewYes(n)}
        onYes={say('new')}
        state={state}
        second={
          <>
            {usedOnes}
            <Others due={due} onMode={onMode} mayAsk={!isAllowed} />
          </>
        }
      >
        <PanelBody>{text.fitNew(usedOnce(state.sheet, group)?.text ?? text.makerSays)}</PanelBody>
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
      title={text.fitTitle(what)}
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

/** Used again only if short enough: each has its length, or is a new one. */
function Measured({ due, state, acts, group, onMode }: GroupProps) {
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
      title={text.fitTitle(countsOf(state, due.fasteners))}
      yes={text.lengthsYes}
      onYes={() => void acts.confirm('fitted', { fasteners: fitted })}
      state={state}
      second={second}
    >
      <PanelBody>{text.lengths(most)}</PanelBody>
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
            problem={tooLong ? text.lengths(most) : undefined}
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
          label={text.lengthOf(name)}
          value={value}
          onChange={onLength}
          problem={problem}
        />
      )}
      <Chip role="checkbox" text={text.isNew(name)} on={isNew} onPress={onNew} />
    </>
  );
}

/** What another compound does to the clamp load, and the lead's word for it. */
function CompoundAsk({
  state,
  acts,
  group,
  onCancel,
}: StepProps<'fit'> & { group: Group; onCancel: () => void }) {
  const before = useOtherCompound(group);
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
      {chosen ? (
        <LeadWord
          acts={acts}
          about={text.compoundSaid(FRICTION_TEXT[chosen])}
          words={[{ label: text.leadSay, say, look: 'warn' }]}
          onCancel={onCancel}
        />
      ) : (
        <BigButton text={text.cancel} look="quiet" onPress={onCancel} />
      )}
    </>
  );
}
