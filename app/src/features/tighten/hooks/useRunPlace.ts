import { createContext, useContext } from 'react';
import type { Order } from '@stennet/core/contract';
import { COLLEAGUE } from '@stennet/core/practice';
import type { Statement } from '@stennet/core/run';
import {
  ofKind,
  saveEntry,
  say,
  shrinkPhoto,
  useEntries,
  useOrder,
  type Change,
  type ShownEntry,
} from '@/data';
import type { KeptRun } from '@/data/database';
import type { PracticeRun } from '@/data/practice';
import { now } from '@/platform/clock';
import { chooseFile } from '@/platform/files';

/**
 * The repair order that a run belongs to, as far as this device has it: what happens on the way is
 * written there.
 */
export interface RunPlace {
  order: string;
  joint: string;
  /** undefined while the order is not on this device. */
  job: string | undefined;
  vehicle: Order['vehicle'] | undefined;
  entries: readonly ShownEntry[];
  joints: Order['jobs'][number]['joints'];
  /** What is written on the repair order on the way; in practice it goes nowhere. */
  keep: (change: Change) => Promise<void>;
  /** A lead's word; in practice it is given at once, by no one. */
  say: typeof say;
  /** The simulated joint, where this is practice. */
  practice: PracticeRun | null;
}

const NO_ORDER = { id: '', entries: [] };
const RunPlaceContext = createContext<RunPlace | null>(null);
export const RunPlaceProvider = RunPlaceContext.Provider;

export function useRunPlaceOf(kept: KeptRun): RunPlace {
  const order = useOrder(kept.order.id).data;
  const job = order?.jobs.find((j) => j.joints.some((t) => t.id === kept.joint));
  return {
    order: kept.order.id,
    joint: kept.joint,
    job: job?.id,
    vehicle: order?.vehicle,
    entries: useEntries(order ?? NO_ORDER),
    joints: job?.joints ?? [],
    keep: saveEntry,
    say,
    practice: null,
  };
}

/** Practice stands on no repair order: nothing that is said on the way is written anywhere. */
export const practicePlace = (practice: PracticeRun): RunPlace => ({
  order: '',
  joint: '',
  job: undefined,
  vehicle: undefined,
  entries: [],
  joints: [],
  keep: () => Promise.resolve(),
  say: (_run, { id, say: said, text }) =>
    Promise.resolve({
      id,
      person: COLLEAGUE.person,
      role: 'lead',
      at: now().toISOString(),
      ...said,
      ...(text ? { text } : {}),
    } as Statement),
  practice,
});

export function useRunPlace(): RunPlace {
  const place = useContext(RunPlaceContext);
  if (!place) throw new Error('no run is open here');
  return place;
}

/** Photos taken at a step, those that still wait on this device included. */
export const photosAt = (place: RunPlace, step: string): number =>
  ofKind(place.entries, 'photo').filter((e) => e.body.joint === place.joint && e.body.step === step)
    .length;

/**
 * Takes a photo and keeps it on this device; it goes to the repair order when there is a network.
 * @returns false when none was chosen
 * @throws when this device cannot keep it
 */
export async function takePhoto(
  place: RunPlace,
  of: string,
  at: { step?: string; fastener?: string } = {},
): Promise<boolean> {
  const file = await chooseFile('image/jpeg,image/png,image/webp');
  if (!file) return false;
  const photo = await shrinkPhoto(file);
  // Named by its bytes once the server has them.
  await place.keep({
    order: place.order,
    photo,
    body: {
      kind: 'photo',
      photo: '0'.repeat(64),
      of: of.slice(0, 80),
      width: 1,
      height: 1,
      joint: place.joint,
      ...at,
    },
  });
  return true;
}
