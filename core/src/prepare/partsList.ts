import type { EntryOf, OrderEntry } from '../order/entries';
import type { Sheet } from '../procedure';
import { partsOf, type PartNeed, type PricedNeed } from './parts';

/** A joint of the order with its sheet. */
export interface JointParts {
  job: string;
  joint: string;
  name: string;
  sheet: Sheet;
}

interface Kept {
  id: string;
  version: number;
  body: OrderEntry;
}

/** One line of the parts list: what a sheet asks for, or what someone added, and how it stands. */
export interface PartLine {
  job: string;
  joint: string | null;
  jointName: string;
  need: PartNeed;
  entry: { id: string; version: number; body: EntryOf<'part'> } | null;
}

/**
 * Everything a job needs, joint by joint in the order met, with what is known of each; what was
 * added by hand comes last.
 */
export function partsList(joints: readonly JointParts[], entries: readonly Kept[]): PartLine[] {
  const parts = entries.flatMap(({ id, version, body }) =>
    body.kind === 'part' ? [{ id, version, body }] : [],
  );
  const asked = joints.flatMap(({ job, joint, name, sheet }) =>
    partsOf(sheet).map((need): PartLine => ({
      job,
      joint,
      jointName: name,
      need,
      entry: parts.find((p) => p.body.joint === joint && p.body.need === need.key) ?? null,
    })),
  );
  const known = new Set(asked.flatMap((l) => (l.entry ? [l.entry.id] : [])));
  const added = parts
    .filter((p) => !known.has(p.id))
    .map((entry): PartLine => {
      const { job, joint, what, count, why, need } = entry.body;
      const name = joints.find((j) => j.joint === joint)?.name ?? '';
      return {
        job,
        joint: joint ?? null,
        jointName: name,
        need: {
          key: need ?? `added:${entry.id}`,
          what,
          count,
          need: 'new',
          reuse: null,
          why: why ?? '',
          numbers: '',
        },
        entry,
      };
    });
  return [...asked, ...added];
}

/** How a line is called in a kit. */
export const lineKey = ({ joint, need }: Pick<PartLine, 'joint' | 'need'>): string =>
  `${joint ?? ''}/${need.key}`;

/** What a job needs new, for comparing a kit with it. */
export function neededNew(lines: readonly PartLine[], job: string): PricedNeed[] {
  return lines
    .filter((l) => l.job === job && l.need.need === 'new' && l.entry?.body.state !== 'notNeeded')
    .map((l) => ({
      key: lineKey(l),
      what: l.need.what,
      count: l.need.count,
      cents: l.entry?.body.cents ?? null,
    }));
}
