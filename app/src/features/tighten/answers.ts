import { textAt } from '@stennet/core/language';
import type { Outcome, PullNext } from '@stennet/core/run';
import { text } from './text';

/**
 * One answer to a pull: what is stored, what the button says, and which keys and pedals give it.
 */
export interface Answer {
  outcome: Outcome;
  label: string;
  /** Small, below the label: the limit that decides. */
  hint: string;
  keys: readonly string[];
}

const MAIN_KEYS = ['Enter', ' ', 'PageDown'] as const;
const SECOND_KEYS = ['PageUp'] as const;
const NO_KEYS: readonly string[] = [];

/**
 * The one table of answers: buttons, keys, pedals, the line that explains them and the voice all
 * read it.
 */
export function answersTo(due: PullNext): Answer[] {
  const limit = limitOf(due);
  return due.outcomes.map((outcome, i) => ({
    outcome,
    label: labelOf(due, outcome),
    hint:
      limit === null
        ? ''
        : outcome === 'turned'
          ? text.movedMore({ deg: limit })
          : outcome === 'heldStill'
            ? text.movedLess({ deg: limit })
            : '',
    keys: i === 0 ? MAIN_KEYS : i === 1 ? SECOND_KEYS : NO_KEYS,
  }));
}

/** From how many degrees on it counts as moved, where the sheet says so. */
const limitOf = ({ stage }: PullNext): number | null =>
  stage.repeat?.kind === 'untilSettled' ? stage.repeat.movedMoreThanDeg : null;

function labelOf(due: PullNext, outcome: Outcome): string {
  if (outcome === 'reached' && due.task.action === 'angle' && due.inHand)
    return text.reached({ angle: `${due.inHand.value}°`, by: text.by[due.tool.method] });
  return text.outcomeWords[outcome];
}

/** What the keys do, in the order of the buttons. */
export const keysLine = (answers: readonly Answer[]): string =>
  answers.map((a) => keyFor(a)).join(' · ');

function keyFor({ keys, label }: Answer): string {
  const names = keys.map((k) =>
    k === ' ' ? text.keyNames.Space : (textAt(text.keyNames, k) ?? k),
  );
  return names.length > 0 ? `${names.join(', ')}: ${label}` : label;
}
