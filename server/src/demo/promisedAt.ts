const HALF_HOUR_MS = 1_800_000;
const OPENS = 8;
const CLOSES = 18;

/**
 * A promise that a shop would make: so many open hours from now, on the half-hour, Monday to
 * Saturday, 8 to 18 by its own clock.
 * @param hours open hours ahead; negative: plain hours ago
 */
export function promisedAt(now: Date, hours: number, timeZone: string): Date {
  const onTheHalf = Math.ceil(now.getTime() / HALF_HOUR_MS) * HALF_HOUR_MS;
  if (hours < 0) return new Date(onTheHalf + hours * 2 * HALF_HOUR_MS);
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    weekday: 'short',
    hour: '2-digit',
    hourCycle: 'h23',
  });
  let at = onTheHalf;
  for (let left = hours * 2; left > 0 || !isOpen(at, clock); at += HALF_HOUR_MS)
    if (isOpen(at, clock)) left -= 1;
  return new Date(at);
}

function isOpen(ms: number, clock: Intl.DateTimeFormat): boolean {
  const parts = clock.formatToParts(ms);
  const of = (type: string): string => parts.find((p) => p.type === type)?.value ?? '';
  const hour = Number(of('hour'));
  return of('weekday') !== 'Sun' && hour >= OPENS && hour < CLOSES;
}
