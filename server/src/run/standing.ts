import type { RunBrief } from '@stennet/core/contract';
import { seatsOf } from '@stennet/core/procedure';
import { measuredIn } from '@stennet/core/record';
import { isRefusedOpen, seatIdOf, type Next, type RunState } from '@stennet/core/run';

/**
 * Where a run stands, in a few numbers: for Today and the repair order, without replaying there.
 */
export function standingOf(state: RunState, due: Next): RunBrief['standing'] {
  const { sheet, progress } = state;
  const stage = sheet.stages[progress.stage];
  return {
    stage: progress.stage,
    stages: sheet.stages.length,
    done: Object.keys(progress.inPass).length,
    of: stage ? seatsOf(sheet, stage).length : 0,
    fastener: due.kind === 'pull' ? seatIdOf(due.fastener) : null,
    inPass: Object.keys(progress.inPass),
    stageName: stage?.name ?? null,
    ...putInAndOut(state),
    bags: bagsOf(state),
    leftOut: Object.values(progress.seats).flatMap((s) => (s.leftOut ? [s.seat] : [])),
    once: sheet.steps.flatMap((s) =>
      s.scope === 'job' && progress.steps[s.id]?.settled ? [s.id] : [],
    ),
    values: progress.values,
    happened: happenedIn(state),
    measured: measuredIn(state),
    asksLead:
      progress.deviations.filter((d) => d.needsLead && d.decision === null).length +
      (due.kind === 'hold' && due.ways.length === 1 && due.ways[0] === 'statement' ? 1 : 0),
  };
}

/**
 * What is more than a pull as asked, for the list of orders: named, never hidden behind a green
 * mark.
 */
function happenedIn({ progress }: RunState): RunBrief['standing']['happened'] {
  const told = progress.deviations.filter((d) => !isRefusedOpen(progress, d));
  const once = new Map(
    told.map((d) => [`${d.kind} ${d.fastener}`, { kind: d.kind, fastener: d.fastener }]),
  );
  return [...once.values()].slice(0, 12);
}

/**
 * What steps put in and none has taken out yet, and what they took out, by the sheet's names for
 * it.
 */
function putInAndOut({ sheet, progress }: RunState): { putIn: string[]; tookOut: string[] } {
  const named = (of: 'putsIn' | 'takesOut'): string[] => [
    ...new Set(
      sheet.steps.flatMap((s) =>
        s[of] !== undefined && progress.steps[s.id]?.settled ? [s[of].replace(/-/g, ' ')] : [],
      ),
    ),
  ];
  const tookOut = named('takesOut');
  return { putIn: named('putsIn').filter((what) => !tookOut.includes(what)), tookOut };
}

/** Where what came out is kept, each bag with the seats its fasteners came from. */
function bagsOf({ progress }: RunState): { bag: string; fasteners: string[] }[] {
  const bags = new Map<string, string[]>();
  for (const [seat, bag] of Object.entries(progress.bags))
    bags.set(bag, [...(bags.get(bag) ?? []), seat]);
  return [...bags].map(([bag, fasteners]) => ({ bag, fasteners }));
}
