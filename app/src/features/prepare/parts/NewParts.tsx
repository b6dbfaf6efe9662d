import { useState } from 'react';
import type { JointSheet } from '@stennet/core/contract/work';
import type { EntryOf } from '@stennet/core/order';
import { isWrongPart, partsOf, type PartNeed } from '@stennet/core/prepare';
import type { Sheet } from '@stennet/core/procedure';
import { ofKind, saveEntry, type ShownEntry } from '@/data';
import { BenchLink, BigButton, Card, Fold, Heading, Line, Notice, Why } from '@/ui';
import { text } from '../text';

/** Groups whose fasteners are used once. */
export const newFasteners = (data: JointSheet): PartNeed[] =>
  partsOf(data.sheet).filter((n) => n.need === 'new' && n.key.startsWith('group:'));

export const partOf = (
  data: JointSheet,
  need: PartNeed,
  entries: readonly ShownEntry[],
): ShownEntry<EntryOf<'part'>> | undefined =>
  ofKind(entries, 'part').find((e) => e.body.joint === data.joint && e.body.need === need.key);

export const isHere = (part: ShownEntry<EntryOf<'part'>> | undefined, sheet: Sheet): boolean =>
  (part?.body.state === 'here' || part?.body.state === 'fitted') && !isWrongPart(part.body, sheet);

interface Props {
  data: JointSheet;
  job: string | undefined;
  entries: readonly ShownEntry[];
  left: ReadonlySet<string>;
  onLeave: (key: string) => void;
}

/** What is used once stands alone: here and counted, or left to the lead's approval at the bolt. */
export function NewParts(props: Props) {
  return newFasteners(props.data).map((need) => <One key={need.key} need={need} {...props} />);
}

function One({ data, job, entries, left, onLeave, need }: Props & { need: PartNeed }) {
  const [problem, setProblem] = useState(false);
  const part = partOf(data, need, entries);
  if (isHere(part, data.sheet)) {
    return (
      <Card>
        <Fold title={newHere(need, part?.body.lot)}>
          <Line>{[need.why, need.numbers].filter(Boolean).join(' ')}</Line>
          <BenchLink joint={data.joint} page="clamp" />
        </Fold>
      </Card>
    );
  }
  const here = (): void => {
    const body: EntryOf<'part'> = {
      ...(part?.body ?? {
        kind: 'part',
        job: job ?? '',
        joint: data.joint,
        need: need.key,
        what: need.what,
        count: need.count,
      }),
      state: 'here',
    };
    saveEntry({
      order: data.order.id,
      ...(part ? { entry: part.id, version: part.version } : {}),
      body,
    }).catch(() => setProblem(true));
  };
  return (
    <Card edge="warn">
      <Heading>{text.newTitle({ n: need.count, what: need.what })}</Heading>
      <Line>{need.why}</Line>
      <Why text={need.numbers} />
      <BenchLink joint={data.joint} page="clamp" />
      {part && isWrongPart(part.body, data.sheet) ? (
        <Notice title={text.newWrong} text={text.newWrongText} look="warn" alert />
      ) : null}
      {part?.body.state === 'ordered' ? <Line strong>{text.newOrdered}</Line> : null}
      {problem ? <Notice title={text.cannotKeep} look="warn" alert /> : null}
      {job ? (
        <BigButton text={text.newYes({ count: need.count })} look="plain" onPress={here} />
      ) : null}
      {left.has(need.key) ? (
        <Line strong>{text.newLead}</Line>
      ) : (
        <BigButton text={text.newNo} look="quiet" onPress={() => onLeave(need.key)} />
      )}
    </Card>
  );
}

const newHere = ({ count, what }: PartNeed, lot: string | undefined): string =>
  lot ? text.newHereLot({ count, what, lot }) : text.newHere({ count, what });
