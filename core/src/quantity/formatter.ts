import { localeFor } from '../language';
import { convert, readingDigits, units, type Quantity, type UnitCode } from './unit';

/** What a shop prefers; dates are in its own time zone wherever the device is. */
export interface ShopStyle {
  locale: string;
  timeZone: string;
  paper: 'A4' | 'Letter';
  torqueUnit: UnitCode;
}

/** How a value stands on screen: number and unit apart, so that each can have its own size. */
export interface FormattedQuantity {
  number: string;
  unit: string;
  text: string;
}

export interface Formatter {
  number(value: number, maxDigits?: number): string;
  /**
   * A value that was published, set or read stands with all its digits; one that was computed is
   * rounded to what its unit is read to.
   */
  quantity(q: Quantity): FormattedQuantity;
  /**
   * Unit in words, for the value in hand: inch-pounds and foot-pounds must look different at arm's
   * length.
   */
  inHand(q: Quantity): FormattedQuantity;
  angle(deg: number): string;
  /** How far something has turned, or stands from where it was. */
  turned(deg: number): string;
  /** A target as it is published: an angle with its sign, anything else with its unit. */
  published(q: Quantity): string;
  time(at: Date): string;
  date(at: Date): string;
  /** A calendar day, whatever the zone. @example day('2026-03-01') // '1 Mar 2026' */
  day(iso: string): string;
  dateTime(at: Date): string;
  /** A time near now as people say it. @example “today 15:30”, “Tue 09:00”, “12 Dec 2026, 08:00” */
  due(at: Date, now: Date): string;
  /** “25 minutes ago”, coarse on purpose. */
  ago(at: Date, now: Date): string;
  /**
   * A price from the smallest coin, always with both decimals; the shop's currency is its own
   * matter.
   */
  price(cents: number): string;
  distance(value: number, unit: 'km' | 'mi'): string;
}

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
const DAY_OF_YEAR = { day: 'numeric', month: 'short', year: 'numeric' } as const;

function joined(number: string, unit: string): FormattedQuantity {
  return { number, unit, text: unit === '°' ? `${number}°` : `${number} ${unit}` };
}

/**
 * The one place where numbers, units and dates become text. `Intl` is slow to make: each is built
 * once per shop style, when it is first asked for.
 * @example createFormatter(style).quantity({ value: 27, unit: 'N.m' }).text // '27 N·m'
 */
export function createFormatter(style: ShopStyle): Formatter {
  const locale = localeFor(style.locale);
  const number = numbersOf(locale, true);
  const zone = { timeZone: style.timeZone } as const;
  const dates = (
    options: Intl.DateTimeFormatOptions,
    spelled = locale,
  ): (() => Intl.DateTimeFormat) => made(() => new Intl.DateTimeFormat(spelled, options));
  const time = dates({ ...zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
  const date = dates({ ...zone, ...DAY_OF_YEAR });
  const wholeDay = dates({ timeZone: 'UTC', ...DAY_OF_YEAR });
  const weekday = dates({ ...zone, weekday: 'short' });
  const isoDay = dates(zone, 'en-CA');
  const price = made(
    () => new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 }),
  );
  const relative = made(() => new Intl.RelativeTimeFormat(locale, { numeric: 'auto' }));

  const dayNumber = (at: Date): number => Date.parse(isoDay().format(at)) / DAY_MS;
  const due = (at: Date, now: Date): string => {
    const days = dayNumber(at) - dayNumber(now);
    if (Math.abs(days) <= 1) return `${relative().format(days, 'day')} ${time().format(at)}`;
    if (days > 0 && days < 7) return `${weekday().format(at)} ${time().format(at)}`;
    return `${date().format(at)}, ${time().format(at)}`;
  };

  // Without a sign between thousands: “1.250” and “1,250” can be read as one and a quarter.
  const ungrouped = numbersOf(locale, false);
  const exact = (q: Quantity): string => ungrouped(q.value, digitsOf(q));
  const angle = (deg: number): string =>
    `${deg > 0 ? '+' : ''}${exact({ value: deg, unit: 'deg' })}°`;
  return {
    number,
    quantity: (q) => joined(exact(q), units[q.unit].symbol),
    inHand: (q) => joined(exact(q), q.unit === 'deg' ? units.deg.symbol : units[q.unit].words),
    angle,
    turned: (deg) => `${number(Math.round(deg), 0)}°`,
    published: (q) =>
      q.unit === 'deg' ? angle(q.value) : joined(exact(q), units[q.unit].symbol).text,
    time: (at) => time().format(at),
    date: (at) => date().format(at),
    day: (iso) => wholeDay().format(new Date(iso)),
    dateTime: (at) => `${date().format(at)}, ${time().format(at)}`,
    due,
    ago: (at, now) => agoText(relative(), now.getTime() - at.getTime()),
    price: (cents) => price().format(cents / 100),
    distance: (value, unit) => `${number(value, 0)} ${unit}`,
  };
}

function made<T>(make: () => T): () => T {
  let it: T | undefined;
  return () => (it ??= make());
}

/** Numbers as text, to so many digits at most; each kind is made when it is first asked for. */
function numbersOf(
  locale: string,
  useGrouping: boolean,
): (value: number, maxDigits?: number) => string {
  const byDigits = new Map<number, Intl.NumberFormat>();
  return (value, maxDigits = 1) => {
    let format = byDigits.get(maxDigits);
    if (!format) {
      format = new Intl.NumberFormat(locale, { maximumFractionDigits: maxDigits, useGrouping });
      byDigits.set(maxDigits, format);
    }
    return format.format(value);
  };
}

/** More than anybody writes down. */
const MOST_DIGITS = 4;

/**
 * As many digits as a value has, where someone wrote it down; else (it was converted, or a share
 * of another) as many as its unit is read to.
 */
function digitsOf({ value, unit }: Quantity): number {
  for (let digits = 0; digits <= MOST_DIGITS; digits += 1) {
    const scaled = value * 10 ** digits;
    if (Math.abs(scaled - Math.round(scaled)) < 1e-6) return digits;
  }
  return readingDigits(unit);
}

function agoText(relative: Intl.RelativeTimeFormat, elapsedMs: number): string {
  const minutes = Math.max(0, Math.round(elapsedMs / MINUTE_MS));
  if (minutes < 60) return relative.format(-minutes, 'minute');
  const hours = Math.round(minutes / 60);
  return hours < 24
    ? relative.format(-hours, 'hour')
    : relative.format(-Math.round(hours / 24), 'day');
}

/** A quantity in another unit of its kind, kept as a quantity. */
export function inUnit(q: Quantity, unit: UnitCode): Quantity {
  return { value: convert(q, unit), unit };
}
