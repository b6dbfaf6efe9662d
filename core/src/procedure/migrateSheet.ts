import * as v from 'valibot';
import { AppError } from '../errors';
import type { FrictionCondition } from '../thread';
import { SHEET_VERSION, SheetSchema, type Sheet } from './sheet';

/** What a sheet looks like before it is known which form it has. */
type Raw = Record<string, unknown>;
const isRaw = (x: unknown): x is Raw => typeof x === 'object' && x !== null && !Array.isArray(x);
const list = (x: unknown): Raw[] => (Array.isArray(x) ? x.filter(isRaw) : []);

/** One step forward by version; the last one is the form that the schema reads. */
const forward: Record<number, (raw: Raw) => Raw> = { 1: from1to2 };

/**
 * Reads a sheet of any form so far: brought forward step by step, then checked against the schema.
 * @throws AppError SHEET_VERSION for a form that is not known, SHEET_INVALID naming the place
 */
export function readSheet(input: unknown): Sheet {
  if (!isRaw(input) || input.format !== 'stennet-sheet')
    throw new AppError('SHEET_INVALID', { where: 'format' });
  let raw = input;
  while (raw.v !== SHEET_VERSION) {
    const step = typeof raw.v === 'number' ? forward[raw.v] : undefined;
    if (!step) throw new AppError('SHEET_VERSION', { v: typeof raw.v === 'number' ? raw.v : '–' });
    raw = step(raw);
  }
  const parsed = v.safeParse(SheetSchema, raw);
  if (parsed.success) return parsed.output;
  const [issue] = parsed.issues;
  throw new AppError('SHEET_INVALID', {
    where: `${v.getDotPath(issue) ?? ''} (${issue.message.slice(0, 120)})`,
  });
}

/**
 * Form 1 had no clocks of its own, no follow-ups and no conflicts; friction stood in words only.
 */
function from1to2(raw: Raw): Raw {
  const groups = list(raw.groups).map((g) => ({
    ...g,
    frictionCondition: conditionIn(String(g.friction ?? '')),
  }));
  const clocks: Raw[] = [];
  const last = list(raw.stages).at(-1)?.id;
  const steps = list(raw.steps).map((step) => {
    const { openMinutes, tackMinutes, due, ...rest } = step;
    if (openMinutes !== undefined)
      clocks.push({
        id: `${String(step.id)}-open`,
        kind: 'within',
        from: { step: step.id },
        to: { stage: last },
        minutes: openMinutes,
        text: 'open time',
      });
    if (tackMinutes !== undefined)
      clocks.push({
        id: `${String(step.id)}-tack`,
        kind: 'notBefore',
        from: { step: step.id },
        to: { stage: list(raw.stages)[0]?.id },
        minutes: tackMinutes,
        text: 'tack time',
      });
    return { ...rest, due: due ?? { when: 'beforeFirstPull' } };
  });
  const seats = list(raw.seats).map(({ number: _number, ...seat }) => seat);
  const tellApart = list(raw.tellApart).map((t) => ({ about: 'castingMark', ...t }));
  return {
    ...raw,
    v: 2,
    groups,
    seats,
    steps,
    tellApart,
    clocks,
    after: [],
    requires: [],
    conflicts: [],
  };
}

const CONDITION_WORDS: readonly (readonly [RegExp, FrictionCondition])[] = [
  [/locker/i, 'threadLocker'],
  [/sealant/i, 'sealant'],
  [/seize/i, 'antiSeize'],
  [/moly|paste/i, 'molyPaste'],
  [/engine oil/i, 'engineOil'],
  [/oil/i, 'lightOil'],
  [/wax|plat/i, 'platedWaxed'],
];
const conditionIn = (words: string): FrictionCondition =>
  CONDITION_WORDS.find(([pattern]) => pattern.test(words))?.[1] ?? 'dry';
