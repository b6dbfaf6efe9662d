import { AppError } from '../errors';
import { units, type Quantity } from '../quantity';
import type { Next } from './due';
import type { TooMuch } from './tooMuch';

/** What comes next, for a refusal. */
const NEXT_WORDS: Record<Exclude<Next['kind'], 'pull'>, string> = {
  start: 'start the run',
  resume: 'resume the run',
  chooseValue: 'choose the value',
  slacken: 'slacken what is still clamped',
  fit: 'the fasteners go in',
  step: 'a step',
  neighbours: 'check the neighbors',
  swap: 'a new fastener goes in',
  chooseTool: 'choose the tool',
  setTool: 'set the tool',
  mark: 'paint the stripes',
  round: 'another round',
  wait: 'wait',
  waitClock: 'wait',
  turnCrank: 'turn the crank',
  hold: 'the hold',
  reconcile: 'check the stripes',
  bag: 'say where they are kept',
  finish: 'finish',
  done: 'nothing, the run is finished',
};

export function notNext(due: Next): AppError {
  const at =
    due.kind === 'pull' ? `fastener ${due.fastener}, ${due.stage.name}` : NEXT_WORDS[due.kind];
  return new AppError('NOT_NEXT', { next: at });
}

/** Asked back once: it is more often a slip than a pull. */
export function askedBack({ reading, why }: { reading: Quantity; why: TooMuch }): AppError {
  const { value, unit } = reading;
  return new AppError('READING_TOO_MUCH', {
    reading: unit === 'deg' ? `${value}°` : `${value} ${units[unit].symbol}`,
    why,
  });
}

export function sameFastener(got: string, expected: string): void {
  if (got !== expected) throw new AppError('WRONG_FASTENER', { expected, got });
}

/** Each of these once, and no other. */
export function allSame(got: readonly string[], expected: readonly string[]): void {
  const named = new Set(got);
  if (
    named.size !== got.length ||
    got.length !== expected.length ||
    !expected.every((f) => named.has(f))
  )
    throw new AppError('REQUIRES_ALL');
}
