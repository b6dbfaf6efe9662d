export const DAY_MS = 86400000;
/**
 * Which day it is in a shop at a moment, as an ISO day. @example dayIn(new
 * Date('2026-11-24T23:30:00Z'), 'Europe/Berlin') // '2026-11-25'
 */

export function dayIn(at: Date, timeZone: string): string {
  const parts = new Intl.DateTimeFormat('en', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).formatToParts(at);
  const of = (type: Intl.DateTimeFormatPartTypes): string =>
    parts.find((p) => p.type === type)?.value ?? '';
  return `${of('year')}-${of('month')}-${of('day')}`;
}

export const addDays = (day: string, days: number): string =>
  new Date(Date.parse(day) + Math.round(days) * DAY_MS).toISOString().slice(0, 10);
