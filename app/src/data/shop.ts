import { useQuery } from '@tanstack/react-query';
import * as v from 'valibot';
import { WrenchCheckSchema } from '@stennet/core/calibration';
import type { BodyOf } from '@stennet/core/contract/work';
import { call } from './api';
import { queryKeys } from './queryKeys';
import { refresh } from './refresh';

// People, their passwords and sign-ins, and the shop's tools: asked for, and changed. Everything
// here throws AppError.

type Body<R extends Parameters<typeof call>[0]> = NonNullable<BodyOf<R>>;

export const useSessions = (person: string) =>
  useQuery({
    queryKey: queryKeys.sessions(person),
    queryFn: () => call('sessions', { person }),
    gcTime: 0,
  });
export const useSecurityLog = () =>
  useQuery({ queryKey: queryKeys.security, queryFn: () => call('security'), gcTime: 0 });

export async function addPerson(person: Body<'addPerson'>): Promise<void> {
  await call('addPerson', {}, person);
  await refresh(queryKeys.people, queryKeys.security);
}
export async function savePerson(person: string, to: Body<'savePerson'>): Promise<void> {
  await call('savePerson', { person }, to);
  await refresh(queryKeys.people, queryKeys.security);
}
/** To be said to that person, once. */
export async function giveCode(
  person: string,
  own: string,
): Promise<{ code: string; hours: number }> {
  const given = await call('giveCode', { person }, { own });
  await refresh(queryKeys.security);
  return given;
}
export async function changePassword(own: string, password: string): Promise<void> {
  await call('changePassword', {}, { own, password });
  await refresh(queryKeys.everySession, queryKeys.security);
}
export async function setPin(pin: string, password: string): Promise<void> {
  await call('setPin', {}, { pin, password });
}
/** @param session null: all of them but this one */
export async function endSessionOf(person: string, session: string | null): Promise<void> {
  await (session === null
    ? call('endSessions', { person })
    : call('endSession', { person, session }));
  await refresh(queryKeys.everySession, queryKeys.security);
}

export const useWrenchChecks = (tool: string) =>
  useQuery({
    queryKey: queryKeys.wrenchChecks(tool),
    queryFn: () => call('wrenchChecks', { tool }),
    select: (reply) => ({
      ...reply,
      // One of a form that this version does not know is passed over, not guessed at.
      checks: reply.checks.flatMap((c) => {
        const check = v.safeParse(WrenchCheckSchema, c.check);
        return check.success ? [{ ...c, check: check.output }] : [];
      }),
    }),
  });
export async function keepWrenchCheck(
  tool: string,
  check: string,
  body: Body<'keepWrenchCheck'>,
): Promise<void> {
  await call('keepWrenchCheck', { tool, check }, body);
  await refresh(queryKeys.tools, queryKeys.wrenchChecks(tool));
}

export async function saveTool(tool: string, change: Body<'saveTool'>): Promise<void> {
  await call('saveTool', { tool }, change);
  await refresh(queryKeys.tools);
}
