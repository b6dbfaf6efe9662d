import { textsOf } from '../../language';
import { shorthand } from '../../language/en/shorthand';
import type { Order } from '../stage';
import {
  CONDITION_WORDS,
  REUSE_WORDS,
  type Line,
  type LineGroup,
  type LineStage,
  type Problem,
} from './line';
import { forward, StageReader } from './StageReader';

const text = textsOf('shorthand', shorthand);

/**
 * What was read of a text; whatever was not understood is named with its place, and the rest is
 * still read.
 */
export interface Parsed {
  line: Line;
  problems: Problem[];
}

/**
 * Reads a line of shorthand, forgiving about how units and signs are written. Grammar:
 * docs/PROCEDURE.md.
 */
export function parseLine(text: string): Parsed {
  return new Reader(text).line();
}

class Reader extends StageReader {
  line(): Parsed {
    const groups: LineGroup[] = [];
    let order: Order | undefined;
    do {
      const group = this.group();
      if (group) groups.push(group);
      order = this.flags(group) ?? order;
    } while (this.take('+'));
    if (!this.take(':')) this.problem(text.colon);
    if (order) this.lastOrder = forward(order);
    const stages: LineStage[] = [];
    while (this.peek()) {
      stages.push(...this.stages());
      if (this.peek() && !this.take(';')) this.skipTo(';');
    }
    const [first] = stages;
    if (first && order && !first.order) first.order = order;
    if (stages.length === 0) this.problem(text.noStage);
    return { line: { groups, stages }, problems: this.problems };
  }

  /**
   * new, oiled, center-out: in any order, with or without commas.
   * @returns the order, if one is among them
   */
  private flags(group: LineGroup | undefined): Order | undefined {
    let order: Order | undefined;
    while (this.peek() && !this.is(':') && !this.is('+')) {
      if (this.take(',')) continue;
      const found = this.order();
      if (found) order = found;
      else if (!this.flag(group)) {
        this.problem(text.unknown({ word: this.peek()?.text ?? '' }));
        this.i += 1;
      }
    }
    return order;
  }

  private flag(group: LineGroup | undefined): boolean {
    const one = this.phrase(REUSE_WORDS);
    if (one) {
      if (group) group.reuse = one;
      return true;
    }
    const condition =
      this.phrase(CONDITION_WORDS) ??
      (this.takeAll('engine', 'oil') || this.take('oil') ? 'engineOil' : undefined);
    if (condition && group) group.condition = condition;
    return condition !== undefined || this.called(group);
  }

  /** “Head bolts”, and `as main`: what they are called, by people and by stages. */
  private called(group: LineGroup | undefined): boolean {
    const name = this.quote();
    if (name) {
      if (group) group.name = name;
      return true;
    }
    const id = this.peek(1);
    if (!this.is('as') || id?.kind !== 'word') return false;
    this.i += 2;
    if (group) group.id = id.value;
    return true;
  }
}
