import { useQueries, useQuery } from '@tanstack/react-query';
import type { BodyOf } from '@stennet/core/contract/work';
import type { OrderState } from '@stennet/core/order';
import { call } from './api';
import { queryKeys } from './queryKeys';
import { refresh, refreshLibrary, refreshOrders } from './refresh';

// Repair orders and the sheets of their joints: asked for, and changed. Everything here throws
// AppError.

type Body<R extends Parameters<typeof call>[0]> = NonNullable<BodyOf<R>>;

/** Vehicles that were here before, by a piece of plate, VIN or customer. */
export const useKnownVehicles = (asked: string) =>
  useQuery({
    queryKey: queryKeys.vehicles(asked),
    queryFn: () => call('vehicles', {}, undefined, { q: asked }),
    enabled: asked !== '',
    gcTime: 60_000,
  });
export const useJointSheets = (joints: readonly string[]) =>
  useQueries({
    queries: joints.map((joint) => ({
      queryKey: queryKeys.jointSheet(joint),
      queryFn: () => call('jointSheet', { joint }),
    })),
  });
/** For each kind of joint the sheets for this engine. */
export const useSheetsForJob = (maker: string, engine: string, kinds: readonly string[]) =>
  useQueries({
    queries: kinds.map((kind) => ({
      queryKey: queryKeys.foundForJob({ maker, engine, kind }),
      queryFn: () => call('findSheets', {}, undefined, { maker, engine, kind }),
    })),
  });

export async function createOrder(order: Body<'createOrder'>): Promise<void> {
  await call('createOrder', {}, order);
  void refreshOrders();
}
/** Someone else may have changed it in the meantime: what stands there now is asked for. */
export async function saveOrder(order: string, change: Body<'saveOrder'>): Promise<void> {
  await call('saveOrder', { order }, change).catch((error: unknown) => {
    void refresh(queryKeys.order(order));
    throw error;
  });
  void refreshOrders();
}
export async function addJob(order: string, job: Body<'addJob'>): Promise<void> {
  await call('addJob', { order }, job);
  await refreshOrders();
}
export const setOrderState = (
  order: string,
  version: number,
  state: OrderState,
): Promise<unknown> =>
  call('setOrderState', { order }, { version, state }).finally(() => void refreshOrders());
export async function setJointSheet(joint: string, sheet: string, revision: string): Promise<void> {
  await call('setJointSheet', { joint }, { sheet, revision });
  await refreshOrders();
}
export async function addJoint(job: string, joint: Body<'addJoint'>): Promise<void> {
  await call('addJoint', { job }, joint);
  await refreshOrders();
}

/** @returns what stands from now on */
export async function approveDrafts(
  drafts: Body<'approveDrafts'>['drafts'],
): Promise<{ sheet: string; revision: string }[]> {
  const { approved } = await call('approveDrafts', {}, { drafts });
  await refreshLibrary();
  return approved;
}
