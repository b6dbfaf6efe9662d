import { createContext, useContext } from 'react';
import type { Order } from '@stennet/core/contract';
import { ofKind, saveEntry, shrinkPhoto, useEntries, useOrder, type ShownEntry } from '@/data';
import type { KeptRun } from '@/data/database';
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
  };
}

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
  await saveEntry({
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
