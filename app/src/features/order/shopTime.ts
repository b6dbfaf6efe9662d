import type { ShopTime } from './orderForm';

/** Between a moment and what is on the shop's own clock, whatever the device's zone is. */
export function shopTimeIn(timeZone: string): ShopTime {
  const format = new Intl.DateTimeFormat('sv-SE', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  });
  const toForm = (iso: string): string => format.format(new Date(iso)).replace(',', '');
  return {
    toForm,
    fromForm: (typed) => {
      const read = /^(\d{4})-(\d{1,2})-(\d{1,2})[ T](\d{1,2})[:.](\d{2})$/.exec(typed);
      if (!read) return null;
      const [year = 0, month = 0, day = 0, hour = 0, minute = 0] = read.slice(1).map(Number);
      if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 23 || minute > 59) return null;
      const asUtc = Date.UTC(year, month - 1, day, hour, minute);
      // How far the shop's clock is from UTC then; twice, because the first guess may lie on the
      // other side of a change of hour.
      const offset = (at: number): number =>
        Date.parse(`${toForm(new Date(at).toISOString()).replace(' ', 'T')}:00Z`) - at;
      const once = asUtc - offset(asUtc);
      const at = asUtc - offset(once);
      return Number.isNaN(at) ? null : new Date(at).toISOString();
    },
  };
}
