import { groupOfSeat, seatsOf, type Part, type Sheet, type Stage } from '../procedure';
import { convert, type Quantity } from '../quantity';

/** What the sheet knows of a pull before it is heard: N·m, and which others it is held against. */
export interface KnownAt {
  targetNm: number | null;
  /** How tight the fastener is before it; undefined: loose. */
  tightNm: number | undefined;
  like: string;
}

/**
 * @param pass of this stage, from 1: from the second on it is as tight as the stage makes it
 * @param target of the task: a chosen value inside its range, or what is published
 */
export function knownAt(
  sheet: Sheet,
  at: { stage: Stage; part?: Part | null; seat: string; pass: number; target: Quantity | null },
): KnownAt {
  const { stage, part, seat, pass, target } = at;
  const isAngle = (part ?? stage).action === 'angle';
  const targetNm = target && !isAngle ? convert(target, 'N.m') : null;
  const before = tightBefore(sheet, stage, part ?? null, seat);
  return {
    targetNm,
    tightNm: pass > 1 && targetNm !== null ? targetNm : before,
    like: `${groupOfSeat(sheet, seat).id} ${stage.id} ${part?.id ?? ''} ${pass > 1 ? 'again' : ''}`,
  };
}

/** The torque that the stages before left on it; undefined after it was loosened. */
function tightBefore(
  sheet: Sheet,
  stage: Stage,
  part: Part | null,
  seat: string,
): number | undefined {
  const index = sheet.stages.findIndex((s) => s.id === stage.id);
  let tight: number | undefined;
  for (const s of sheet.stages.slice(0, index + 1)) {
    if (!seatsOf(sheet, s).some((x) => x.id === seat)) continue;
    for (const of of s.each ?? [s]) {
      if (s.id === stage.id && (part === null || of.id === part.id)) return tight;
      tight = after(of, tight);
    }
  }
  return tight;
}

function after({ action, target }: Stage | Part, tight: number | undefined): number | undefined {
  if (action === 'loosen') return undefined;
  if (action !== 'torque' || !target) return tight;
  return convert(
    { value: 'value' in target ? target.value : target.min, unit: target.unit },
    'N.m',
  );
}
