import { TZDate, tz } from '@date-fns/tz';
import { format, isValid, parse } from 'date-fns';
import { en, es, registerTranslation } from 'react-native-paper-dates';
import { language } from '@/platform/language';
import { isMoment } from './moment';

/** The shop's way to write a day, in the words of whoever reads. */
export function datesIn(locale: string): string {
  registerTranslation(locale, language === 'es' ? es : en);
  return locale;
}

/** A day as it is kept, `2018-03-12`, from the one that a calendar gives; and back. */
export const dayOf = (at: Date): string => format(at, 'yyyy-MM-dd');
export function ofDay(day: string): Date | undefined {
  const at = parse(day, 'yyyy-MM-dd', new Date(0));
  return isValid(at) ? at : undefined;
}

/** What the shop's own clock shows at a moment, whatever the device's zone is. */
export function onShopClock(iso: string, timeZone: string): { day: string; time: string } {
  if (!isMoment(iso)) return { day: '', time: '' };
  const at = new Date(iso);
  return {
    day: format(at, 'yyyy-MM-dd', { in: tz(timeZone) }),
    time: format(at, 'HH:mm', { in: tz(timeZone) }),
  };
}

/** The moment at which the shop's clock shows a day and a time; '' where they are none. */
export function momentAt(day: string, time: string, timeZone: string): string {
  // Read as it stands first, whatever the zone: a wrong day is refused and not moved on.
  const read = parse(`${day} ${time} Z`, 'yyyy-MM-dd HH:mm X', new Date(0), { in: tz('UTC') });
  if (!isValid(read)) return '';
  const [year, month, date] = [read.getFullYear(), read.getMonth(), read.getDate()];
  const at = new TZDate(year, month, date, read.getHours(), read.getMinutes(), timeZone);
  return new Date(at.getTime()).toISOString();
}
