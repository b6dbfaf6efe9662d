import * as v from 'valibot';
import { FOLLOW_UP_KINDS, FOLLOW_UP_STATES } from '../followUp/followUp';
import { ContactSchema } from '../order/contact';
import type { OrderEntry } from '../order/entries';
import type { JointSeen, RunSeen } from '../order/jointState';
import { ENTRY_KINDS, ORDER_STATES } from '../order/names';
import { narrowed } from '../order/scope';
import type { OrderOnItsWay } from '../order/stations';
import { PROCEDURE, TAKE_APART } from '../procedure/parts';
import { QuantitySchema } from '../quantity';
import { id, nullableText } from './plainReplies';

const RunBriefSchema = v.object({
  id,
  /** The procedure, the taking apart before it, or what is due after. */
  part: v.optional(v.string(), 'procedure'),
  /** Which bank, cap or cylinder, where the joint occurs several times. */
  instance: v.optional(nullableText, null),
  state: v.picklist(['open', 'paused', 'finished']),
  signing: v.optional(v.picklist(['open', 'wantsSecond', 'signed']), 'open'),
  holderPerson: v.string(),
  holderDevice: id,
  holderDeviceName: v.string(),
  lastAt: v.string(),
  /** Where it stands, as computed by core when the last event came in. */
  standing: v.object({
    stage: v.number(),
    stages: v.number(),
    done: v.number(),
    of: v.number(),
    fastener: nullableText,
    /** Seats that are done in the pass that is on. */
    inPass: v.optional(v.array(v.string()), []),
    stageName: nullableText,
    /** Put in for the work and not out yet. */
    putIn: v.optional(v.array(v.string()), []),
    tookOut: v.optional(v.array(v.string()), []),
    /** How much waits for the lead's approval. */
    asksLead: v.optional(v.number(), 0),
    /** Seats that the lead left out: later runs of the joint leave them out too. */
    leftOut: v.optional(v.array(v.string()), []),
    /** Steps done once for the job, whatever bank, cap or cylinder. */
    once: v.optional(v.array(v.string()), []),
    /** Values chosen inside a range, by stage: a later run uses them again. */
    values: v.optional(v.record(v.string(), QuantitySchema), {}),
    /** Deviations, in the order they came. Runs of an earlier version have them as sentences. */
    happened: v.optional(
      v.array(v.union([v.string(), v.object({ kind: v.string(), fastener: nullableText })])),
      [],
    ),
    /** Where the fasteners that came out are kept. */
    bags: v.optional(v.array(v.object({ bag: v.string(), fasteners: v.array(v.string()) })), []),
    /** What was measured in it, to be compared with the other banks, caps or cylinders. */
    measured: v.optional(
      v.array(v.object({ step: v.string(), row: nullableText, mm: v.number() })),
      [],
    ),
  }),
});

export type RunBrief = v.InferOutput<typeof RunBriefSchema>;
const JointSchema = v.object({
  id,
  name: v.string(),
  sheetId: id,
  revision: v.string(),
  sheetTitle: v.string(),
  sheetKind: v.optional(v.string(), ''),
  /**
   * Where it occurs several times: how often, which belong together, where the crank stands for
   * each.
   */
  instances: v.optional(
    v.nullable(
      v.object({
        kind: v.string(),
        labels: v.array(v.string()),
        pairs: v.optional(v.array(v.tuple([v.string(), v.string()]))),
        crankDeg: v.optional(v.record(v.string(), v.number())),
      }),
    ),
    null,
  ),
  /** The sheet says how it is taken apart. */
  takesApart: v.optional(v.boolean(), false),
  runs: v.optional(v.array(RunBriefSchema), []),
});

export type Joint = v.InferOutput<typeof JointSchema>;
/**
 * A run for people: the joint, which of them, and what is done with it. @example runName(rods,
 * trial) // 'Rod caps 3'
 */

export const runName = (
  { name }: Pick<Joint, 'name'>,
  { part, instance }: Pick<RunBrief, 'part' | 'instance'>,
): string =>
  `${name}${instance ? ` ${instance}` : ''}${part === TAKE_APART ? ', apart' : part === PROCEDURE ? '' : ', again'}`;
/** A joint as it is weighed where a repair order's state is asked for. */

export const jointSeen = ({ name, runs, instances }: Joint): JointSeen => ({
  name,
  instances,
  runs: runs.map(({ part, instance, state, standing }) => ({
    part,
    instance,
    state,
    putIn: standing.putIn,
    tookOut: standing.tookOut,
    asksLead: standing.asksLead,
  })),
});

/** An order as its stations are found from. */
export const onItsWay = (
  order: Pick<Order, 'jobs' | 'followUps' | 'state'>,
  entries: readonly { body: OrderEntry }[],
): OrderOnItsWay => ({
  joints: order.jobs.flatMap((j) =>
    j.joints.map((joint) => {
      const { runs } = jointSeen(joint);
      return {
        name: joint.name,
        instances: joint.instances,
        takesApart: joint.takesApart,
        runs: joint.runs.map(({ signing, standing }, i) => ({
          ...(runs[i] as RunSeen),
          signing,
          standing,
        })),
      };
    }),
  ),
  entries: entries.map((e) => e.body),
  followUps: order.followUps,
  state: order.state,
});

/** A newer server may have kinds of entries that are not known here: they are passed over. */
const EntriesSchema = v.pipe(
  v.array(
    v.object({
      id,
      version: v.number(),
      by: v.string(),
      at: v.string(),
      body: v.looseObject({ kind: v.string() }),
    }),
  ),
  v.transform((list) =>
    list.filter((e): e is typeof e & { body: OrderEntry } =>
      (ENTRY_KINDS as readonly string[]).includes(e.body.kind),
    ),
  ),
);
export interface Entry<B extends OrderEntry = OrderEntry> {
  id: string;
  version: number;
  by: string;
  at: string;
  body: B;
}

export const FollowUpSchema = v.object({
  id,
  joint: id,
  after: v.string(),
  kind: v.picklist(FOLLOW_UP_KINDS),
  text: v.string(),
  distanceKm: v.nullable(v.number()),
  days: v.nullable(v.number()),
  celsius: v.nullable(v.number()),
  since: v.string(),
  /** null: the odometer was not written down. */
  sinceKm: v.nullable(v.number()),
  dueOn: v.string(),
  state: v.picklist(FOLLOW_UP_STATES),
  note: nullableText,
  seenKm: v.nullable(v.number()),
  by: nullableText,
  at: nullableText,
  version: v.number(),
});

export type FollowUp = v.InferOutput<typeof FollowUpSchema>;
export const WholeOrderSchema = v.object({
  id,
  number: v.string(),
  vehicle: v.object({
    maker: v.string(),
    model: v.string(),
    engine: v.string(),
    plate: v.string(),
    vin: v.string(),
    built: v.string(),
  }),
  odometer: v.nullable(v.object({ value: v.number(), unit: v.picklist(['km', 'mi']) })),
  customer: v.string(),
  contact: v.optional(v.nullable(ContactSchema), null),
  concern: v.string(),
  bay: nullableText,
  promisedAt: nullableText,
  state: v.picklist(ORDER_STATES),
  version: v.optional(v.number(), 0),
  openedAt: v.optional(v.string(), ''),
  jobs: v.array(
    v.object({
      id,
      title: v.string(),
      kind: v.optional(v.string(), 'other'),
      joints: v.array(JointSchema),
    }),
  ),
  entries: v.optional(EntriesSchema, []),
  followUps: v.optional(v.array(FollowUpSchema), []),
});

/**
 * With each joint narrowed to what the order is about: one bank alone is an order that can be
 * closed.
 */
export const OrderSchema = v.pipe(
  WholeOrderSchema,
  v.transform((order) => ({
    ...order,
    jobs: order.jobs.map((job) => ({
      ...job,
      joints: job.joints.map((j) =>
        narrowed(
          j,
          order.entries.map((e) => e.body),
        ),
      ),
    })),
  })),
);
export type Order = v.InferOutput<typeof OrderSchema>;
