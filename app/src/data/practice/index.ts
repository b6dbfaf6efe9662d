import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { wrap } from 'comlink';
import type { PRACTICE_ROLES, PracticeReply } from '@stennet/core/contract/work';
import {
  exercises,
  practiceIdFrom,
  PRACTICE_SHEETS,
  setupFor,
  type ExerciseId,
  type PracticeLog,
  type PracticeResult,
} from '@stennet/core/practice';
import type { Sheet } from '@stennet/core/procedure';
import type { PracticeWorker } from '@/workers/practice.worker';
import { now } from '@/platform/clock';
import { newId } from '@/platform/ids';
import { useSignedIn, type Account } from '../account';
import { call } from '../api';
import { queryKeys } from '../queryKeys';
import { keepPractice, listKept, readPractice, sendPractice } from './keptPractice';
import { PracticeRun } from './practiceRun';

export type { KeptPractice } from './form';
export type { Felt, PracticeRun } from './practiceRun';

/**
 * What was passed and what is asked for, as the server knows it; what waits here goes out first.
 */
export function usePractice() {
  const { me } = useSignedIn();
  return useQuery({
    queryKey: queryKeys.practice,
    queryFn: async (): Promise<PracticeReply> => {
      await sendPractice(me.person.id, me.shop.id).catch(() => false);
      return call('practice');
    },
  });
}

/**
 * Exercises that the lead asks for before this kind of joint, and that this person has not passed.
 */
export function useUnpracticed(kind: string): ExerciseId[] {
  const { me } = useSignedIn();
  const { attempts = [], rules = [] } = usePractice().data ?? {};
  return rules
    .filter((r) => r.role === me.role && r.kind === kind)
    .map((r) => r.exercise)
    .filter(
      (e) => !attempts.some((a) => a.person === me.person.id && a.exercise === e && a.passed),
    );
}

/** Practice of this person that is on this device: begun, or not at the server yet. */
export function usePracticeHere() {
  const { me } = useSignedIn();
  return useQuery({
    queryKey: queryKeys.practiceHere,
    queryFn: () => listKept(me.person.id, me.shop.id),
    staleTime: 0,
    meta: { kept: false },
  });
}

/** A practice run and what came of it: from this device, else from the server and judged again. */
export interface JudgedPractice {
  log: PracticeLog;
  sheet: Sheet;
  result: PracticeResult | null;
}

/** The lead asks for an exercise before a kind of joint, or no longer does. */
export function usePracticeRules() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (asked: AskedFirst & { on: boolean }) => call('setPracticeRule', {}, asked),
    onSuccess: () => client.invalidateQueries({ queryKey: queryKeys.practice }),
  });
}

export interface AskedFirst {
  role: (typeof PRACTICE_ROLES)[number];
  kind: string;
  exercise: ExerciseId;
}

export function useJudged(id: string) {
  const { me } = useSignedIn();
  return useQuery({
    queryKey: [...queryKeys.practiceHere, id],
    queryFn: async (): Promise<JudgedPractice> => {
      const kept = await readPractice(id);
      if (kept) return kept;
      const { log, person } = await call('practiceLog', { attempt: id });
      const sheet = log.exercise
        ? PRACTICE_SHEETS[exercises[log.exercise].sheet]
        : (await call('sheet', { sheet: log.sheet?.id ?? '', revision: log.sheet?.revision ?? '' }))
            .sheet;
      const worker = new Worker('/workers/practice.js');
      try {
        const who = { shop: me.shop.id, run: id, person };
        const setup = setupFor(log, sheet);
        return { log, sheet, result: await wrap<PracticeWorker>(worker).judge(log, setup, who) };
      } finally {
        worker.terminate();
      }
    },
    staleTime: 0,
    meta: { kept: false },
  });
}

const SEEDS = 2_147_483_647;

/** A new joint to practice on. @returns its id */
export async function newPractice(
  me: Account['me'],
  of: { exercise: ExerciseId } | { sheet: Sheet },
): Promise<string> {
  const id = practiceIdFrom(newId());
  const exercise = 'exercise' in of ? of.exercise : null;
  const sheet = 'sheet' in of ? of.sheet : PRACTICE_SHEETS[exercises[of.exercise].sheet];
  await keepPractice({
    log: {
      v: 1,
      id,
      exercise,
      sheet: exercise ? null : { id: sheet.id, revision: sheet.revision },
      seed: (crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % SEEDS,
      entries: [],
    },
    sheet,
    person: me.person.id,
    shop: me.shop.id,
    begunAt: now().toISOString(),
    result: null,
    sent: false,
  });
  return id;
}

/** One practice run, open on the screen. */
export function usePracticeRun(id: string) {
  const [run] = useState(() => new PracticeRun(id));
  const client = useQueryClient();
  const loaded = useSyncExternalStore(run.subscribe, run.get);
  useEffect(() => {
    void run.load();
    return () => {
      run.close();
      void client.invalidateQueries({ queryKey: queryKeys.practice });
    };
  }, [run, client]);
  return { run, loaded };
}
