import fc from 'fast-check';
import { type FailureKind, FAILURES, stripeBefore, type PullNext } from '../run';
import { type Technician } from '../rehearse/technician';

/**
 * What a clumsy technician does at a moment; what does not fit there is refused, and that is tested
 * too.
 */

export type Move =
  | { kind: 'asTold' }
  | { kind: 'moved'; moved: boolean }
  | { kind: 'angle'; deg: number }
  | { kind: 'short' }
  | { kind: 'fails'; failure: FailureKind }
  | { kind: 'undo' }
  | { kind: 'correct'; back: number; deg: number; not: boolean }
  | { kind: 'pause' }
  | { kind: 'takeOver'; found: number }
  | { kind: 'nonsense'; which: number }
  | { kind: 'together'; count: number }
  | { kind: 'aside' }
  | { kind: 'another'; which: number }
  | { kind: 'added'; which: number; action: 'torque' | 'angle' | 'loosen' }
  | { kind: 'lead'; which: number }
  | { kind: 'way'; which: number }
  | { kind: 'late'; minutes: number }
  | { kind: 'overran' }
  | { kind: 'giveUp' }
  | { kind: 'defer' }
  | { kind: 'badAnswer' }
  | { kind: 'claims'; which: number }
  | { kind: 'photo' }
  | { kind: 'overdue' }
  | { kind: 'neighbour' }
  | { kind: 'reading'; share: number };
const of = (
  weight: number,
  arbitrary: fc.Arbitrary<Move>,
): { weight: number; arbitrary: fc.Arbitrary<Move> } => ({ weight, arbitrary });
const plain = (
  kind:
    | 'asTold'
    | 'short'
    | 'undo'
    | 'pause'
    | 'aside'
    | 'overran'
    | 'giveUp'
    | 'defer'
    | 'badAnswer'
    | 'photo'
    | 'overdue'
    | 'neighbour',
): fc.Arbitrary<Move> => fc.constant({ kind });

export const moveArbitrary: fc.Arbitrary<Move> = fc.oneof(
  of(60, plain('asTold')),
  of(
    14,
    fc.boolean().map<Move>((moved) => ({ kind: 'moved', moved })),
  ),
  of(
    6,
    fc.integer({ min: 1, max: 150 }).map<Move>((deg) => ({ kind: 'angle', deg })),
  ),
  of(2, plain('short')),
  of(
    4,
    fc.constantFrom(...FAILURES).map<Move>((failure) => ({ kind: 'fails', failure })),
  ),
  of(6, plain('undo')),
  of(
    4,
    fc.record({
      kind: fc.constant('correct' as const),
      back: fc.nat(12),
      deg: fc.integer({ min: 1, max: 150 }),
      not: fc.boolean(),
    }),
  ),
  of(1, plain('pause')),
  of(2, fc.record({ kind: fc.constant('takeOver' as const), found: fc.nat(80) })),
  of(2, fc.record({ kind: fc.constant('nonsense' as const), which: fc.nat(40) })),
  of(
    14,
    fc.record({ kind: fc.constant('together' as const), count: fc.integer({ min: 1, max: 9 }) }),
  ),
  of(4, plain('aside')),
  of(3, fc.record({ kind: fc.constant('another' as const), which: fc.nat(20) })),
  of(
    2,
    fc.record({
      kind: fc.constant('added' as const),
      which: fc.nat(20),
      action: fc.constantFrom('torque', 'angle', 'loosen'),
    }),
  ),
  of(3, fc.record({ kind: fc.constant('lead' as const), which: fc.nat(40) })),
  of(6, fc.record({ kind: fc.constant('way' as const), which: fc.nat(20) })),
  of(
    2,
    fc.record({ kind: fc.constant('late' as const), minutes: fc.integer({ min: 1, max: 30 }) }),
  ),
  of(1, plain('overran')),
  of(4, plain('giveUp')),
  of(2, plain('defer')),
  of(2, plain('badAnswer')),
  of(1, fc.record({ kind: fc.constant('claims' as const), which: fc.nat(20) })),
  of(1, plain('photo')),
  of(1, plain('overdue')),
  of(2, plain('neighbour')),
  of(
    3,
    fc.record({
      kind: fc.constant('reading' as const),
      share: fc.double({ min: 0.5, max: 2.6, noNaN: true }),
    }),
  ),
);
/** Where the stripe of a fastener stands before the stage it is in. */
export function stripeNow(t: Technician, fastener: string, stage: string): number {
  const seat = t.state.progress.seats[fastener.split('/')[0] ?? ''];
  return seat ? (stripeBefore(seat, stage) ?? 0) : 0;
}

export const isRead = (due: PullNext): boolean =>
  due.task.action === 'stretch' || due.task.action === 'angle';
