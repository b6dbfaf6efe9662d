import { textsOf } from '../../language';
import { shorthand } from '../../language/en/shorthand';
import { units, type Quantity, type UnitCode } from '../../quantity';
import { DEFAULT_SEATED, DEFAULT_SETTLED } from '../settlingDefault';
import { PURPOSES, type Order } from '../stage';
import { GroupReader } from './GroupReader';
import { ORDER_WORDS, RESERVED, type LineAction, type LinePart, type LineStage } from './line';
import { word } from './TokenReader';

const text = textsOf('shorthand', shorthand);

/** Reads stages, one after the other. */
export class StageReader extends GroupReader {
  private before: LineStage | undefined;
  protected lastOrder: Order = { rule: 'listed' };

  /** One of the phrases of a table, of one or two words. */
  protected order(): Order | undefined {
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

  private isAtEnd(): boolean {
    return !this.peek() || this.is(';') || this.is(')');
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

  /** repeat 3 (45 N·m; back fully): written out, so that each time is a stage of its own. */
  protected stages(): LineStage[] {
    if (!this.is('repeat')) return [this.stage() ?? []].flat();
    this.i += 1;
    const times = this.number();
    if (times === undefined || times < 2 || times > MOST_TIMES || !this.take('('))
      return this.refused(text.repeat);
    const round: LineStage[] = [];
    do round.push(...[this.stage() ?? []].flat());
    while (this.take(';'));
    if (!this.take(')')) return this.refused(text.bracket);
    return Array.from({ length: times }, () => round).flat();
  }

  private refused(why: string): LineStage[] {
    this.problem(why);
    return [];
  }

  protected stage(): LineStage | undefined {
    this.take('then');
    // “again 25 Nm” says the stage anew; “again” alone is the one before once more.
    if (this.take('again') && this.isAtEnd()) return this.before;
    const on = this.on();
    const trial = this.take('trial');
    const purpose = PURPOSES.find((word) => this.take(word));
    const body = this.body();
    if (!body) return undefined;
    const stage: LineStage = {
      on,
      ...body,
      ...(trial ? { trial } : {}),
      ...(purpose ? { purpose } : {}),
    };
    while (!this.isAtEnd()) {
      if (this.take(',')) continue;
      if (!this.tail(stage)) break;
    }
    this.before = stage;
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
    if (this.take('each')) return this.each();
    if (this.take('hold')) return { action: 'hold', text: this.quote() ?? this.rawToEnd() };
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

  /** each (24 N·m, +75°): one bolt after the other gets all of it. */
  private each(): Omit<LineStage, 'on'> | undefined {
    for (const word of ['bolt', 'fastener', 'one', ':']) this.take(word);
    const isOpen = this.take('(');
    const each: LinePart[] = [];
    do {
      const part = this.part();
      if (!part) return undefined;
      each.push(part);
    } while (this.take(',') || this.take('then') || this.is('+'));
    if (isOpen && !this.take(')')) return this.problem(text.bracket) as undefined;
    if (each.length < 2) return this.problem(text.eachTwo) as undefined;
    return { action: 'each', each };
  }

  private part(): LinePart | undefined {
    const body = this.body();
    if (!body || !isPart(body.action)) {
      if (body) this.problem(text.eachPart);
      return undefined;
    }
    const stage: LineStage = { on: [], ...body };
    if (this.is('±')) this.tail(stage);
    const { on: _on, ...part } = stage;
    return part as LinePart;
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
    if (stage.upTo !== undefined && this.take('recommended')) {
      const recommended = this.number();
      if (recommended !== undefined) stage.recommended = recommended;
      return recommended !== undefined;
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

/** As many rounds as one line may ask for. */
const MOST_TIMES = 10;
const PARTS: readonly string[] = ['torque', 'angle', 'loosen', 'handStart', 'runDown'];
const isPart = (action: string): boolean => PARTS.includes(action);

export const forward = ({ reverse: _reverse, ...order }: Order): Order => order;

const kindText = (kind: string): string =>
  text.kinds[kind === 'angle' || kind === 'length' ? kind : 'torque'];
