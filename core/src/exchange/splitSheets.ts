import { textsOf } from '../language';
import { reading } from '../language/en/reading';
import { AppError } from '../errors';

const text = textsOf('reading', reading);

/** A sheet is some ten thousand characters; what is far beyond is none. */
const LONGEST_SHEET = 1_000_000;
const DEEPEST = 40;
const LONGEST_NAME = 40;

/**
 * Cuts the text of a file into the texts of its sheets, piece by piece as it comes in, so that a
 * library is never held whole. Reads one sheet, a list of sheets, sheets one after the other (a
 * line each or not), and the library form `{ "format": "stennet-sheets", …, "sheets": [ … ] }`.
 * What is inside a sheet is not looked at here.
 */
export class SheetSplitter {
  private readonly open: string[] = [];
  /** How many brackets stand round a sheet: 0 bare, 1 in a list, 2 in the library form. */
  private round = 0;
  private carried = '';
  private inString = false;
  private escaped = false;
  /**
   * The last text and the last name in the outermost braces: a list named “sheets” makes it a
   * library.
   */
  private said = '';
  private name = '';

  /**
   * @returns the sheets that this piece completed
   * @throws AppError IMPORT_UNREADABLE for what is no such file, TOO_LARGE for a sheet without end
   */
  push(piece: string): string[] {
    const whole: string[] = [];
    let from = this.isInSheet ? 0 : -1;
    for (let i = 0; i < piece.length; i += 1) {
      const c = piece[i] ?? '';
      if (this.inString) {
        this.goOnString(c);
        continue;
      }
      const was = this.isInSheet;
      this.take(c);
      if (!was && this.isInSheet) from = i;
      if (was && !this.isInSheet) {
        // A library's own head was no sheet: its braces are still open.
        if (this.open.length === this.round && c !== '[')
          whole.push(this.carried + piece.slice(from, i + 1));
        this.carried = '';
        from = -1;
      }
    }
    if (from >= 0) this.carried += piece.slice(from);
    if (this.carried.length > LONGEST_SHEET) throw new AppError('TOO_LARGE');
    return whole;
  }

  /** @throws AppError IMPORT_UNREADABLE when the text stops in the middle */
  end(): void {
    if (this.open.length > 0 || this.inString) throw unreadable(text.file.cut);
  }

  private get isInSheet(): boolean {
    return this.open.length > this.round;
  }

  private goOnString(c: string): void {
    if (this.escaped) this.escaped = false;
    else if (c === '\\') this.escaped = true;
    else if (c === '"') this.inString = false;
    else if (this.open.length === 1 && this.said.length < LONGEST_NAME) this.said += c;
  }

  private take(c: string): void {
    // Between sheets stand commas and space, nothing else.
    if (
      this.open.length === this.round &&
      !/[\s,{}\]\ufeff]/.test(c) &&
      !(c === '[' && this.round === 0)
    )
      throw unreadable(text.file.between);
    if (c === '"') {
      this.inString = true;
      this.said = '';
    } else if (c === ':' && this.open.length === 1) this.name = this.said;
    else if (c === ',' && this.open.length === 1) this.name = '';
    else if (c === '{' || c === '[') this.opens(c);
    else if (c === '}' || c === ']') this.closes(c);
  }

  private opens(c: string): void {
    if (c === '[' && this.open.length === 0) this.round = 1;
    if (c === '[' && this.open.length === 1 && this.open[0] === '{' && this.name === 'sheets')
      this.round = 2;
    this.open.push(c);
    if (this.open.length > DEEPEST) throw unreadable(text.file.deep({ n: DEEPEST }));
  }

  private closes(c: string): void {
    const opened = this.open.pop();
    if (opened !== (c === '}' ? '{' : '[')) throw unreadable(text.file.brackets);
    // What follows the list in a library is no sheet, however deep.
    if (this.open.length < this.round) this.round = DEEPEST + 1;
    if (this.open.length > 0) return;
    this.round = 0;
    this.name = '';
  }
}

const unreadable = (why: string): AppError => new AppError('IMPORT_UNREADABLE', { why });
