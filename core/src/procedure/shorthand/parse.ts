import { textsOf } from '../../language';
import { shorthand } from '../../language/en/shorthand';
import { AppError } from '../../errors';
import { units, type Quantity, type UnitCode } from '../../quantity';
import { PROPERTY_CLASSES, threadOf } from '../../thread';
import type { Order } from '../stage';
import {
  CONDITION_WORDS,
  ORDER_WORDS,
  RESERVED,
  REUSE_WORDS,
  type Line,
  type LineAction,
  type LineGroup,
  type LineStage,
  type Problem,
} from './line';
import { DEFAULT_SEATED, DEFAULT_SETTLED } from '../settlingDefault';
import { TokenReader, word } from './TokenReader';

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

class Reader extends TokenReader {
  private lastOrder: Order = { rule: 'listed' };

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
      const stage = this.stage();
      if (stage) stages.push(stage);
      if (this.peek() && !this.take(';')) this.skipTo(';');
    }
    const [first] = stages;
    if (first && order && !first.order) first.order = order;
    if (stages.length === 0) this.problem(text.noStage);
    return { line: { groups, stages }, problems: this.problems };
  }

  private group(): LineGroup | undefined {
    const count = this.number();
    if (count === undefined || !this.take('×')) return this.problem(text.count) as undefined;
    const token = this.peek();
    const size = this.threadSize();
    if (!token || size === undefined) return this.problem(text.thread) as undefined;
    const pitch = this.take('×') ? this.number() : undefined;
    try {
      const thread = threadOf(size, pitch);
      return {
        count,
        designation: thread.system === 'metric' ? (size.split(/[x×]/i)[0] ?? size) : thread.name,
        pitchMm: Number(thread.pitchMm.toPrecision(6)),
        propertyClass: this.propertyClass(),
        reuse: 'reuse',
        condition: 'dry',
      };
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      this.problem(error.message, token);
      return undefined;
    }
  }

  /** M10, 3/8-16, #10-24; and 1-8, which is no range where a thread is named. */
  private threadSize(): string | undefined {
    const [t, sign, pitch] = [this.peek(), this.peek(1), this.peek(2)];
    if (t?.kind === 'word') return this.takeText().toUpperCase().replace(',', '.');
    if (t?.kind !== 'number' || sign?.value !== '–' || pitch?.kind !== 'number') return undefined;
    this.i += 3;
    return `${t.value}-${pitch.value}`;
  }

  private propertyClass(): string {
    if (this.is('grade') || this.is('gr') || (this.is('sae') && this.is('grade', 1)))
      return this.grade();
    const t = this.peek();
    const next = this.peek(1);
    const name =
      t?.kind === 'number'
        ? t.value
        : t && next && /^(SAE|A2)$/i.test(t.value)
          ? `${t.value.toUpperCase()}${t.value.toUpperCase() === 'SAE' ? ' ' : '-'}${next.value}`
          : t && PROPERTY_CLASSES.includes(t.value)
            ? t.value
            : '';
    if (PROPERTY_CLASSES.includes(name)) {
      this.i += t?.kind === 'number' || (t && PROPERTY_CLASSES.includes(t.value)) ? 1 : 2;
      return name;
    }
    this.problem(text.class);
    if (t?.kind === 'number') this.i += 1;
    return '8.8';
  }

  /** Grade 5 and grade 8, as the head’s marks are called. */
  private grade(): string {
    this.take('sae');
    if (!this.take('grade')) this.take('gr');
    const name = `SAE ${this.peek()?.text ?? ''}`;
    if (PROPERTY_CLASSES.includes(name)) {
      this.i += 1;
      return name;
    }
    this.problem(text.class);
    return '8.8';
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
    return condition !== undefined;
  }

  /** One of the phrases of a table, of one or two words. */
  private order(): Order | undefined {
    const at = this.i;
    const reversed = (order: Order): Order =>
      this.take('reversed') ? { ...order, reverse: true } : order;
    if (this.takeAll('in', 'order') || this.take('order'))
      return reversed({ rule: 'listed', labels: this.labels() });
    const rule = this.phrase(ORDER_WORDS);
    if (rule === 'any' && this.peek()?.kind !== 'sign' && this.peek())
      return reversed({ rule, ...(this.isName() ? { labels: this.labels() } : {}) });
    if (rule) return reversed({ rule });
    if (this.take('reversed')) return { ...this.lastOrder, reverse: true };
    this.i = at;
    return undefined;
  }

  private isName(): boolean {
    const t = this.peek();
    return (
      t !== undefined &&
      (t.kind === 'number' || t.kind === 'word') &&
      !RESERVED.includes(word(t)) &&
      this.peek(1)?.kind !== 'unit'
    );
  }
  private labels(): string[] {
    const labels: string[] = [];
    while (this.isName()) labels.push(this.takeText());
    return labels;
  }

  private stage(): LineStage | undefined {
    this.take('then');
    const on = this.on();
    const trial = this.take('trial');
    const snug = this.take('snug');
    const body = this.body();
    if (!body) return undefined;
    const stage: LineStage = {
      on,
      ...body,
      ...(trial ? { trial } : {}),
      ...(snug ? { snug } : {}),
    };
    while (this.peek() && !this.is(';')) {
      if (this.take(',')) continue;
      if (!this.tail(stage)) break;
    }
    return stage;
  }

  /**
   * Names before the value: “A,B +95°”, “inner 27 N·m”. A number is a name where no unit follows
   * it.
   */
  private on(): string[] {
    if (this.take('all')) return ['all'];
    const names: string[] = [];
    while (this.isName() && !(this.peek()?.kind === 'number' && this.peek(1)?.value === '–')) {
      names.push(this.takeText());
      if (this.is(',') && this.peek(1)) this.i += 1;
    }
    return names.length > 0 ? names : ['all'];
  }

  private body(): Omit<LineStage, 'on'> | undefined {
    if (
      this.takeAll('by', 'hand') ||
      this.take('by-hand') ||
      this.takeAll('hand', 'tight') ||
      this.takeAll('finger', 'tight')
    )
      return { action: 'handStart' };
    if (this.takeAll('run', 'down')) return { action: 'runDown' };
    if (this.takeAll('draw', 'down')) return { action: 'drawDown', repeat: DEFAULT_SEATED };
    if (this.take('swap')) return { action: 'swap' };
    if (this.take('back')) return { action: 'loosen', loosen: this.loosen() };
    if (this.take('wait')) {
      const minutes = this.number() ?? 0;
      this.take('min');
      return { action: 'wait', minutes };
    }
    if (this.take('check')) return this.valued('check', 'torque');
    if (this.take('floor'))
      return { ...(this.valued('check', 'torque') ?? { action: 'check' }), floor: true };
    if (this.take('stretch')) return this.valued('stretch', 'length');
    if (this.take('+')) return this.valued('angle', 'angle');
    return this.valued('torque', 'torque');
  }

  private loosen(): NonNullable<LineStage['loosen']> {
    this.take('off');
    if (this.take('fully')) return 'free';
    if (this.take('eased')) return 'crack';
    const degrees = this.number();
    if (degrees === undefined) {
      this.problem(text.back);
      return 'free';
    }
    if (this.peek()?.value === 'deg') this.i += 1;
    else if (this.take('turn')) return { degrees: degrees * 360 };
    return { degrees };
  }

  private valued(
    action: LineAction,
    kind: 'torque' | 'angle' | 'length',
  ): Omit<LineStage, 'on'> | undefined {
    const start = this.peek();
    const value = this.number();
    if (value === undefined)
      return this.problem(text.missing({ kind: kindText(kind) })) as undefined;
    const upTo = this.take('–') ? this.number() : undefined;
    const unit = this.peek();
    if (unit?.kind !== 'unit') return this.problem(text.unit({ value }), start) as undefined;
    const code = unit.value as UnitCode;
    if (units[code].kind !== kind)
      return this.problem(
        text.wrongUnit({ unit: units[code].symbol, kind: kindText(kind) }),
        unit,
      ) as undefined;
    this.i += 1;
    const quantity: Quantity = { value, unit: code };
    return { action, value: quantity, ...(upTo === undefined ? {} : { upTo }) };
  }

  private tail(stage: LineStage): boolean {
    if (this.take('±')) {
      const plusMinus = this.number();
      if (this.peek()?.kind === 'unit') this.i += 1;
      if (plusMinus !== undefined) stage.plusMinus = plusMinus;
      return plusMinus !== undefined;
    }
    // A stage that stands there twice is done twice; “again” says so to the reader.
    if (this.take('again')) return true;
    if (this.take('twice')) {
      stage.repeat = { kind: 'passes', passes: 2 };
      return true;
    }
    if (this.take('×')) {
      const passes = this.number();
      if (passes !== undefined) stage.repeat = { kind: 'passes', passes };
      return passes !== undefined;
    }
    if (this.takeAll('until', 'settled')) return this.settled(stage);
    if (this.takeAll('until', 'seated')) return this.seated(stage);
    const order = this.order();
    if (!order) return false;
    stage.order = order;
    this.lastOrder = forward(order);
    return true;
  }

  private settled(stage: LineStage): boolean {
    stage.repeat = DEFAULT_SETTLED;
    if (!this.take('(')) return true;
    const maxPasses = this.number() ?? DEFAULT_SETTLED.maxPasses;
    const movedMoreThanDeg = this.take(',')
      ? (this.number() ?? DEFAULT_SETTLED.movedMoreThanDeg)
      : DEFAULT_SETTLED.movedMoreThanDeg;
    if (this.peek()?.kind === 'unit') this.i += 1;
    stage.repeat = { kind: 'untilSettled', maxPasses, movedMoreThanDeg };
    return this.take(')');
  }

  private seated(stage: LineStage): boolean {
    stage.repeat = DEFAULT_SEATED;
    if (!this.take('(')) return true;
    stage.repeat = { kind: 'untilSeated', maxRounds: this.number() ?? DEFAULT_SEATED.maxRounds };
    return this.take(')');
  }
}

const forward = ({ reverse: _reverse, ...order }: Order): Order => order;

const kindText = (kind: string): string =>
  text.kinds[kind === 'angle' || kind === 'length' ? kind : 'torque'];
