import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import { PROCEDURE, TAKE_APART, type Sheet } from '../procedure';
import type { Quantity } from '../quantity';
import { isLost, jointState, type EntryOf, type JointRuns, type OrderEntry } from '../order';
import { wrongPart } from './wrongPart';

const text = textsOf('orders', orders);

/** A run of a joint, with what later runs of the joint have to know of it. */
export interface RunBefore {
  part: string;
  instance: string | null;
  state: 'open' | 'paused' | 'finished';
  standing: {
    leftOut?: readonly string[] | undefined;
    once?: readonly string[] | undefined;
    values?: Readonly<Record<string, Quantity>> | undefined;
    done: number;
    stage: number;
  };
}
interface JointBefore extends JointRuns {
  id: string;
  name: string;
  sheetId: string;
  runs: readonly RunBefore[];
}

/** What there is to know before a run is begun. */
export interface StartSeen {
  sheet: Sheet;
  job: string | undefined;
  joint: string;
  part: string;
  instance: string | null;
  joints: readonly JointBefore[];
  entries: readonly OrderEntry[];
}

/**
 * What stands against tightening a joint now, each with its reason: what fell and is not found, a
 * joint that comes first, a part that is out, the wrong part, a measurement that no one has
 * answered, a crank that would have to turn.
 */
export function startBlockers(seen: StartSeen): string[] {
  if (seen.part !== PROCEDURE) return seen.entries.flatMap((e) => (isLost(e) ? [lost(e)] : []));
  return [...fromEntries(seen), ...jointsBefore(seen), ...crankHeld(seen)];
}

const lost = (e: EntryOf<'dropped'>): string => text.start.dropped({ what: e.what });

function fromEntries({ entries, job, joint, sheet }: StartSeen): string[] {
  return entries.flatMap((e): string[] => {
    if (isLost(e)) return [lost(e)];
    if (e.kind === 'outside' && (e.job === undefined || e.job === job) && e.state !== 'checked') {
      return e.state === 'asked'
        ? []
        : [
            e.state === 'back'
              ? text.start.back({ what: e.what, to: e.to })
              : text.start.sentTo({ what: e.what, to: e.to }),
          ];
    }
    if (
      e.kind === 'measurement' &&
      e.joint === joint &&
      e.verdict !== 'pass' &&
      (e.then === undefined || e.then === 'stop')
    ) {
      return [
        e.then === 'stop'
          ? text.start.stopped({ what: e.of })
          : (e.verdict === 'fail' ? text.start.outOfSpec : text.start.tooClose)({ what: e.of }),
      ];
    }
    return e.kind === 'part' && e.joint === joint ? wrong(e, sheet) : [];
  });
}

/** What came is not what the sheet asks for: it stays wrong until the right one is here. */
export function isWrongPart(
  part: Pick<EntryOf<'part'>, 'need' | 'count' | 'seen'>,
  sheet: Sheet,
): boolean {
  const group = sheet.groups.find((g) => `group:${g.id}` === part.need);
  return (
    group !== undefined &&
    part.seen !== undefined &&
    wrongPart(group, part.count, part.seen).length > 0
  );
}

const wrong = (e: EntryOf<'part'>, sheet: Sheet): string[] =>
  e.state !== 'notNeeded' && isWrongPart(e, sheet) ? [text.start.wrongPart({ what: e.what })] : [];

function jointsBefore({ joints, sheet }: StartSeen): string[] {
  return joints.flatMap((j) =>
    sheet.requires.includes(j.sheetId) && jointState(j) !== 'tight'
      ? [text.start.before({ joint: j.name })]
      : [],
  );
}

/** The crank stays where it is while another one of them is half-way. */
function crankHeld({ sheet, joints, joint, part, instance }: StartSeen): string[] {
  const at = (i: string | null): number | undefined =>
    i === null ? undefined : sheet.instances?.crankDeg?.[i];
  const wanted = at(instance);
  if (wanted === undefined) return [];
  const runs = joints.find((j) => j.id === joint)?.runs ?? [];
  const held = runs.find(
    (r) =>
      r.part === part &&
      r.state !== 'finished' &&
      r.instance !== instance &&
      at(r.instance) !== wanted &&
      r.standing.stage + r.standing.done > 0,
  );
  return held ? [text.start.crank({ instance: held.instance ?? '' })] : [];
}

/**
 * Another bank, cap or cylinder at the same crank position that is half-way: the crank is not
 * turned away under it; null where none is.
 */
export function crankHeldBy(
  sheet: Pick<Sheet, 'instances'>,
  { part, instance }: { part: string; instance: string | null },
  runs: readonly RunBefore[],
): string | null {
  const at = (i: string | null): number | undefined =>
    i === null ? undefined : sheet.instances?.crankDeg?.[i];
  const held = runs.find(
    (r) =>
      r.part === part &&
      r.state !== 'finished' &&
      r.instance !== instance &&
      at(r.instance) !== undefined &&
      at(r.instance) === at(instance) &&
      r.standing.stage + r.standing.done > 0,
  );
  return held?.instance ?? null;
}

/** Seats that an earlier run of the same bank, cap or cylinder left out, by name. */
export const leftOutBefore = (runs: readonly RunBefore[], instance: string | null): string[] => [
  ...new Set(
    runs
      .filter((r) => r.instance === instance && (r.part === TAKE_APART || r.part === PROCEDURE))
      .flatMap((r) => r.standing.leftOut ?? []),
  ),
];

/**
 * Values that the joint was tightened with, where the sheet left a choice and what comes later has
 * to use the same: by stage.
 */
export function chosenBefore(
  sheet: Pick<Sheet, 'after'>,
  runs: readonly RunBefore[],
  { part, instance }: { part: string; instance: string | null },
): Record<string, Quantity> {
  const wanted = new Set(
    sheet.after
      .find((a) => a.id === part)
      ?.stages?.flatMap((s) => (s.sameAs === undefined ? [] : [s.sameAs])),
  );
  const tightened = runs.find((r) => r.part === PROCEDURE && r.instance === instance);
  return Object.fromEntries(
    Object.entries(tightened?.standing.values ?? {}).filter(([stage]) => wanted.has(stage)),
  );
}

/** Steps that are done once for the whole job, and were done in another run of this joint. */
export const doneOnce = (runs: readonly RunBefore[], part: string): string[] => [
  ...new Set(runs.filter((r) => r.part === part).flatMap((r) => r.standing.once ?? [])),
];
