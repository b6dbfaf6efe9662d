import { type Group, groupOfSeat } from '@stennet/core/procedure';
import { upperFirst } from '@stennet/core/language';
import { seatIdOf, type PayloadOf } from '@stennet/core/run';
import { FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { useRouter } from 'expo-router';
import { Notice, BigButton } from '@/ui';
import { useRunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { PanelBody } from './PanelText';
import type { StepProps } from './StepPanel';
import { CompoundsView } from '@/ui/work';

export type Mode = 'fit' | 'reuse' | 'compound';
/**
 * Where those that are asked for are kept since they came out: each goes back into its own hole.
 */
export function FromBags({ due, state }: Pick<GroupProps, 'due' | 'state'>) {
  const place = useRunPlace();
  const runs = place.joints.find((t) => t.id === place.joint)?.runs ?? [];
  const asked = new Set(due.fasteners.map(seatIdOf));
  return runs
    .filter((r) => r.instance === state.instance)
    .flatMap((r) => r.standing.bags)
    .flatMap(({ bag, fasteners }) => {
      const own = fasteners.filter((f) => asked.has(f));
      return own.length > 0
        ? [<PanelBody key={bag}>{text.bagFrom({ bag, fasteners: own.join(', ') })}</PanelBody>]
        : [];
    });
}

export type Fitted = PayloadOf<'fitted'>['fasteners'][number];

export interface GroupProps extends StepProps<'fit'> {
  group: Group;
  onMode: (mode: Mode) => void;
}

export function Coat({ group }: { group: Group }) {
  const other = useOtherCompound(group);
  return (
    <>
      <Published group={group} />
      {other ? (
        <Notice
          title={text.compoundChosen({ condition: FRICTION_TEXT[other] })}
          text={text.compoundChosenText}
          look="warn"
          alert
        />
      ) : null}
    </>
  );
}

/** Ways beside the plain one; the lead's come last. */
export function Others({
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
export function countsOf(
  { sheet }: StepProps<'fit'>['state'],
  fasteners: readonly string[],
): string {
  const counts = new Map<string, number>();
  for (const f of fasteners)
    counts.set(
      groupOfSeat(sheet, seatIdOf(f)).name,
      (counts.get(groupOfSeat(sheet, seatIdOf(f)).name) ?? 0) + 1,
    );
  return [...counts].map(([name, n]) => `${n} ${name.toLowerCase()}`).join(', ');
}
/** What was chosen on Prepare instead of the published compound. */

export function useOtherCompound(group: Group): FrictionCondition | undefined {
  const place = useRunPlace();
  const kept = place.entries.find(
    (e) => e.body.kind === 'compound' && e.body.joint === place.joint && e.body.group === group.id,
  )?.body;
  return kept?.kind === 'compound' && kept.condition !== group.frictionCondition
    ? kept.condition
    : undefined;
}

export function Published({ group }: { group: Group }) {
  return group.compounds.length > 0 ? (
    <CompoundsView group={group} />
  ) : (
    <PanelBody>{`${upperFirst(text.noCompound)}.`}</PanelBody>
  );
}
