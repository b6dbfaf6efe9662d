import * as v from 'valibot';
import { ROLES } from '../people/permissions';

const id = v.string();
const nullableText = v.nullable(v.string());

export const PeopleSchema = v.object({
  people: v.array(
    v.object({
      id,
      name: v.string(),
      role: v.picklist(ROLES),
      hasPin: v.boolean(),
      active: v.optional(v.boolean(), true),
    }),
  ),
});
export const SessionsSchema = v.object({
  sessions: v.array(
    v.object({
      id,
      device: v.string(),
      address: v.string(),
      at: v.string(),
      seenAt: v.string(),
      isThis: v.boolean(),
    }),
  ),
});
export type SessionLine = v.InferOutput<typeof SessionsSchema>['sessions'][number];
/**
 * What happened at the door, the last first. A kind that an older app does not know is passed over
 * there.
 */
export const SecuritySchema = v.object({
  events: v.array(
    v.object({
      at: v.string(),
      kind: v.string(),
      who: nullableText,
      about: nullableText,
      address: v.string(),
      device: v.string(),
    }),
  ),
});
export type SecurityLine = v.InferOutput<typeof SecuritySchema>['events'][number];
export type Person = v.InferOutput<typeof PeopleSchema>['people'][number];
