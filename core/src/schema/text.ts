import * as v from 'valibot';

/**
 * Neither NUL and other control characters (a table cannot hold them) nor half a surrogate pair
 * (UTF-8 cannot).
 */
export const CLEAN =
  /^(?:[^\u0000-\u0008\u000b\u000c\u000e-\u001f\ud800-\udfff]|[\ud800-\udbff][\udc00-\udfff])*$/;

/** Text that a person wrote, cleaned of nothing: what cannot be kept as it is, is refused. */
export const textOf = (maxLength: number) =>
  v.pipe(
    v.string(),
    v.minLength(1),
    v.maxLength(maxLength),
    v.regex(CLEAN, 'contains characters that can’t be stored'),
  );

/** In one spelling: what is counted or locked by an id has no second name. */
export const UuidSchema = v.pipe(
  v.string(),
  v.uuid(),
  v.regex(/^[0-9a-f-]+$/, 'must be lowercase'),
);
const isOfCalendar = (day: string): boolean =>
  !Number.isNaN(Date.parse(`${day}T00:00:00Z`)) &&
  new Date(`${day}T00:00:00Z`).toISOString().startsWith(day);
/** A moment of a day that the calendar has. */
export const TimeSchema = v.pipe(
  v.string(),
  v.isoTimestamp(),
  v.check((moment) => isOfCalendar(moment.slice(0, 10)), 'isn’t a calendar day'),
);
/** Short names inside a sheet: stages, steps, groups, fasteners. */
/** SHA-256 in hex: what is kept by its content. */
export const HashSchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/));
export const KeySchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,39}$/));
/** A fastener with its life: position 7's first bolt is 7/1, its replacement 7/2. */
export const FastenerIdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9]{1,6}[a-z]?\/[1-9]\d?$/));
/** A time zone that the calendar knows: Europe/Lisbon. */
export const TimeZoneSchema = v.pipe(textOf(60), v.check(isTimeZone, 'isn’t a time zone'));
function isTimeZone(zone: string): boolean {
  try {
    return /^[A-Z]/.test(
      new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone,
    );
  } catch {
    return false;
  }
}
export const finite = v.pipe(v.number(), v.finite());
/** A day that the calendar has: 2027-02-30 is none. */
export const DaySchema = v.pipe(
  v.string(),
  v.isoDate(),
  v.check(isOfCalendar, 'isn’t a calendar day'),
);
