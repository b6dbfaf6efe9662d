import { textsOf } from '../../language';
import { shorthand } from '../../language/en/shorthand';
import { AppError } from '../../errors';
import { PROPERTY_CLASSES, threadOf } from '../../thread';
import type { LineGroup } from './line';
import { TokenReader } from './TokenReader';

const text = textsOf('shorthand', shorthand);

/** Reads how many fasteners of which thread and class: what a line begins with. */
export class GroupReader extends TokenReader {
  protected group(): LineGroup | undefined {
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
}
