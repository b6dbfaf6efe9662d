import type { After, Sheet } from '../procedure';
import { DAY_MS, addDays } from './shopDay';

/**
 * What is asked for later; break-in limits, refill quantities and advice stand on the hand-over
 * sheet instead.
 */
export const FOLLOW_UP_KINDS = [
  'beforeFirstStart',
  'afterFirstStart',
  'retighten',
  'check',
  'fluid',
] as const;
export type FollowUpKind = (typeof FOLLOW_UP_KINDS)[number];
export const FOLLOW_UP_STATES = ['open', 'done', 'declined'] as const;
export type FollowUpState = (typeof FOLLOW_UP_STATES)[number];

export interface FollowUpPlan {
  after: string;
  kind: FollowUpKind;
  text: string;
  distanceKm: number | null;
  days: number | null;
  celsius: number | null;
}

/** What is due once a joint is tight by this sheet. */
export function followUpsOf({ after }: Pick<Sheet, 'after'>): FollowUpPlan[] {
  return after.flatMap((a) =>
    isAsked(a.kind)
      ? [
          {
            after: a.id,
            kind: a.kind,
            text: a.text,
            distanceKm: a.when?.distanceKm ?? null,
            days: a.when?.days ?? null,
            celsius: a.when?.celsius ?? null,
          },
        ]
      : [],
  );
}
const isAsked = (kind: After['kind']): kind is FollowUpKind =>
  (FOLLOW_UP_KINDS as readonly string[]).includes(kind);

/** An odometer seen on a day. */
export interface OdometerSeen {
  day: string;
  km: number;
}
const LEAST_DAYS = 30;
/** Where nothing is known of a vehicle: 15,000 km a year. */
export const USUAL_KM_PER_DAY = 15_000 / 365;
const WITHIN = { least: 2, most: 1500 } as const;

export const KM_PER_MILE = 1.609344;
export const toKm = ({ value, unit }: { value: number; unit: 'km' | 'mi' }): number =>
  unit === 'mi' ? value * KM_PER_MILE : value;

/**
 * How far this vehicle goes in a day: between the first and the last time its odometer was seen,
 * where these lie a month or more apart; else since it was built; else the usual.
 * @returns km, between 2 and 1,500: beyond that someone mistyped
 */
export function kmPerDay(built: string, seen: readonly OdometerSeen[]): number {
  const sorted = [...seen].sort((a, b) => a.day.localeCompare(b.day));
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last) return USUAL_KM_PER_DAY;
  return rate(first, last) ?? rate({ day: built, km: 0 }, last) ?? USUAL_KM_PER_DAY;
}

function rate(from: OdometerSeen, to: OdometerSeen): number | null {
  const days = (Date.parse(to.day) - Date.parse(from.day)) / DAY_MS;
  const perDay = (to.km - from.km) / days;
  return days >= LEAST_DAYS && perDay >= WITHIN.least && perDay <= WITHIN.most ? perDay : null;
}

/**
 * The day on which it is expected to be due: after so many days, or when the distance is expected
 * to be driven, whichever is sooner. What has neither is due at once.
 * @param since the day the joint was tight
 */
export function dueDay(
  { distanceKm, days }: Pick<FollowUpPlan, 'distanceKm' | 'days'>,
  since: string,
  perDay: number,
): string {
  const wanted = [
    ...(days === null ? [] : [days]),
    ...(distanceKm === null ? [] : [distanceKm / perDay]),
  ];
  return addDays(since, wanted.length === 0 ? 0 : Math.min(...wanted));
}

/** The same where the odometer has been seen again since: what is left is counted from there. */
export function correctedDay(
  plan: Pick<FollowUpPlan, 'distanceKm' | 'days'>,
  from: { day: string; km: number | null },
  seen: OdometerSeen,
  perDay: number,
): string {
  if (plan.distanceKm === null || from.km === null || seen.km < from.km)
    return dueDay(plan, from.day, perDay);
  const left = Math.max(0, from.km + plan.distanceKm - seen.km);
  const byDistance = addDays(seen.day, left / perDay);
  const byDays = plan.days === null ? null : addDays(from.day, plan.days);
  return byDays !== null && byDays < byDistance ? byDays : byDistance;
}

export type Standing = 'overdue' | 'today' | 'soon' | 'later' | 'settled';
const SOON_DAYS = 14;

export function standingOn(
  today: string,
  { dueOn, state }: { dueOn: string; state: FollowUpState },
): Standing {
  if (state !== 'open') return 'settled';
  if (dueOn < today) return 'overdue';
  if (dueOn === today) return 'today';
  return dueOn <= addDays(today, SOON_DAYS) ? 'soon' : 'later';
}
