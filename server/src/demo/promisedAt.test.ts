import { promisedAt } from './promisedAt';

const local = (at: Date, timeZone: string): { day: string; hour: number } => {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    weekday: 'short',
    hour: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(at);
  return {
    day: parts.find((p) => p.type === 'weekday')?.value ?? '',
    hour: Number(parts.find((p) => p.type === 'hour')?.value),
  };
};

test('a promise falls into the shop’s hours, whatever hour the demo starts', () => {
  for (const timeZone of ['Europe/Berlin', 'America/Chicago', 'Asia/Kolkata']) {
    for (let hour = 0; hour < 24 * 8; hour += 5) {
      const now = new Date(Date.UTC(2026, 10, 23, hour, 17));
      for (const ahead of [0, 2, 6, 9, 30]) {
        const at = promisedAt(now, ahead, timeZone);
        const { day, hour: at24 } = local(at, timeZone);
        expect(day).not.toBe('Sun');
        expect(at24).toBeGreaterThanOrEqual(8);
        expect(at24).toBeLessThan(18);
        expect(at.getTime() - now.getTime()).toBeGreaterThanOrEqual(ahead * 3_600_000);
      }
    }
  }
});

test('a promise of long ago stays where it was', () => {
  expect(promisedAt(new Date('2026-11-28T10:00:00Z'), -48, 'Europe/Berlin').toISOString()).toBe(
    '2026-11-26T10:00:00.000Z',
  );
});
