import * as v from 'valibot';
import { CRITERIA, EXERCISES } from '../../practice/exerciseIds';
import { PracticeLogSchema } from '../../practice/practiceLog';
import { ROLES } from '../../people/permissions';
import { KeySchema } from '../../schema/text';
import { id, nullableText } from '../plainReplies';

/** Roles that tighten, and so may be asked to practice first. */
export const PRACTICE_ROLES = ['technician', 'lead'] as const;

const exercise = v.picklist(EXERCISES);
const better = v.nullable(v.picklist(CRITERIA));

export const PracticeRuleBody = v.strictObject({
  role: v.picklist(PRACTICE_ROLES),
  /** Of joint, as its sheet says it. */
  kind: KeySchema,
  exercise,
  on: v.boolean(),
});

export const practiceReplies = {
  practice: v.object({
    attempts: v.array(
      v.object({
        id,
        person: id,
        exercise: v.nullable(exercise),
        sheet: nullableText,
        revision: nullableText,
        /** Of the sheet. */
        title: nullableText,
        passed: v.boolean(),
        better,
        at: v.string(),
      }),
    ),
    rules: v.array(v.object({ role: v.picklist(ROLES), kind: v.string(), exercise })),
  }),
  keepPractice: v.object({ passed: v.boolean(), better }),
  practiceLog: v.object({ person: id, log: PracticeLogSchema }),
  setPracticeRule: v.object({ ok: v.literal(true) }),
} as const;
export type PracticeReply = v.InferOutput<(typeof practiceReplies)['practice']>;
export type PracticeAttempt = PracticeReply['attempts'][number];
export type PracticeRule = PracticeReply['rules'][number];
