import * as v from 'valibot';
import type { OrderEntry } from '../order/entries';
import type { JointSeen } from '../order/jointState';
import { PROCEDURE, TAKE_APART } from '../procedure/parts';
import { FOLLOW_UP_KINDS, FOLLOW_UP_STATES } from '../followUp/followUp';
import { ENTRY_KINDS, ORDER_STATES } from '../order/names';
import { narrowed } from '../order/scope';
import { UNIT_CODES } from '../quantity/unit';
import { PeopleSchema, SecuritySchema, SessionsSchema } from './peopleReplies';
import { ROLES } from '../people/permissions';
import { SigningSchema } from './signingReply';

/**
 * Replies are read leniently: an older app meets a newer server and passes over what it does not
 * know.
 */
const id = v.string();
const nullableText = v.nullable(v.string());

export const ShopSchema = v.object({
  id,
  name: v.string(),
  locale: v.string(),
  timeZone: v.string(),
  paper: v.picklist(['A4', 'Letter']),
  torqueUnit: v.picklist(UNIT_CODES),
  /** Every record is signed by a second person too. */
  secondSignature: v.optional(v.boolean(), false),
  /** Minutes without a touch after which a session asks who it is. */
  idleMinutes: v.optional(v.number(), 240),
  /** Months after hand-over for which customers are kept; null: always. */
  retentionMonths: v.optional(v.nullable(v.number()), null),
});
export const MeSchema = v.object({
  person: v.object({ id, name: v.string() }),
  shop: ShopSchema,
  role: v.picklist(ROLES),
  shops: v.array(v.object({ id, name: v.string(), role: v.picklist(ROLES) })),
  /** Given only where “today” is set: demo pictures and tests. */
  clockSetTo: v.nullable(v.string()),
  /**
   * Proves of what is confirmed that it was while this session was on. Not for showing, and not
   * kept beyond the session.
   */
  entry: v.optional(v.object({ session: id, key: v.string() })),
});
export type Me = v.InferOutput<typeof MeSchema>;
export type Shop = v.InferOutput<typeof ShopSchema>;

const RunBriefSchema = v.object({
  id,
  /** The procedure, the taking apart before it, or what falls due after. */
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
    stageName: nullableText,
    /** Put in for the work and not out yet. */
    putIn: v.optional(v.array(v.string()), []),
    tookOut: v.optional(v.array(v.string()), []),
    /** How much waits for the lead's word. */
    asksLead: v.optional(v.number(), 0),
    /** Seats that the lead left out: later runs of the joint leave them out too. */
    leftOut: v.optional(v.array(v.string()), []),
    /** Steps done once for the job, whatever bank, cap or cylinder. */
    once: v.optional(v.array(v.string()), []),
    /** What happened that is no plain pull, in a word or two each. */
    happened: v.optional(v.array(v.string()), []),
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
  sinceKm: v.number(),
  dueOn: v.string(),
  state: v.picklist(FOLLOW_UP_STATES),
  note: nullableText,
  seenKm: v.nullable(v.number()),
  by: nullableText,
  at: nullableText,
  version: v.number(),
});
export type FollowUp = v.InferOutput<typeof FollowUpSchema>;

const WholeOrderSchema = v.object({
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
  odometer: v.object({ value: v.number(), unit: v.picklist(['km', 'mi']) }),
  customer: v.string(),
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

export const TodaySchema = v.object({
  orders: v.array(OrderSchema),
  overdue: v.optional(v.number(), 0),
});

export const ToolsSchema = v.object({
  tools: v.array(
    v.object({
      id,
      version: v.number(),
      retired: v.boolean(),
      changedAt: v.string(),
      changedBy: nullableText,
      tool: v.looseObject({ kind: v.string(), name: v.string() }),
    }),
  ),
});
export const AppendedSchema = v.object({
  stored: v.array(v.object({ id, position: v.number(), hash: v.string() })),
  refused: v.nullable(
    v.object({
      id,
      code: v.string(),
      params: v.record(v.string(), v.union([v.string(), v.number()])),
    }),
  ),
});
export type Appended = v.InferOutput<typeof AppendedSchema>;
/** What falls due, with whose vehicle it is. */
const DueSchema = v.object({
  ...FollowUpSchema.entries,
  order: id,
  number: v.string(),
  customer: v.string(),
  vehicle: WholeOrderSchema.entries.vehicle,
  jointName: v.string(),
  /** Usual distance of this vehicle in a day, as far as its odometer was seen. */
  kmPerDay: v.number(),
});
export type Due = v.InferOutput<typeof DueSchema>;

export const HistoryLineSchema = v.object({
  run: id,
  order: id,
  number: v.string(),
  customer: v.string(),
  vehicle: WholeOrderSchema.entries.vehicle,
  joint: v.string(),
  part: v.string(),
  instance: nullableText,
  state: v.picklist(['open', 'paused', 'finished']),
  signing: v.picklist(['open', 'wantsSecond', 'signed']),
  sheet: v.string(),
  revision: v.string(),
  title: v.string(),
  at: v.string(),
  /** Of the wrench that was asked for. */
  use: v.optional(
    v.nullable(
      v.object({
        firstAt: v.string(),
        lastAt: v.string(),
        pulls: v.number(),
        readings: v.number(),
        ratio: v.nullable(v.number()),
      }),
    ),
    null,
  ),
});
export type HistoryLine = v.InferOutput<typeof HistoryLineSchema>;

export const OkSchema = v.object({ ok: v.literal(true) });

/**
 * What every screen may need; what only a run or a sheet needs stands in `contract/run`, which
 * loads with them.
 */
export const replies = {
  signIn: MeSchema,
  signOut: OkSchema,
  setup: v.object({ needed: v.boolean() }),
  makeShop: MeSchema,
  enrol: OkSchema,
  touch: OkSchema,
  useCode: MeSchema,
  changePassword: OkSchema,
  sessions: SessionsSchema,
  endSessions: OkSchema,
  endSession: OkSchema,
  savePerson: OkSchema,
  giveCode: v.object({ code: v.string(), hours: v.number() }),
  security: SecuritySchema,
  switchPerson: MeSchema,
  addPerson: OkSchema,
  switchShop: MeSchema,
  me: MeSchema,
  today: TodaySchema,
  order: OrderSchema,
  orders: TodaySchema,
  createOrder: v.object({ order: id }),
  saveOrder: OkSchema,
  setOrderState: OkSchema,
  addJob: v.object({ job: id }),
  saveEntry: v.object({ version: v.number() }),
  people: PeopleSchema,
  tools: ToolsSchema,
  saveTool: OkSchema,
  setPin: OkSchema,
  /** Bytes that are still to come begin at `have`; `photo` once it is kept. */
  photoPiece: v.object({
    have: v.number(),
    photo: nullableText,
    width: v.number(),
    height: v.number(),
  }),
  sheetPlaces: v.object({
    places: v.array(
      v.object({ maker: v.string(), engine: v.string(), kind: v.string(), sheets: v.number() }),
    ),
  }),
  appendRunEvents: AppendedSchema,
  discardDraft: OkSchema,
  setJointSheet: OkSchema,
  signatures: SigningSchema,
  signRun: SigningSchema,
  takeForeign: v.object({
    taken: v.number(),
    records: v.array(
      v.object({
        run: id,
        number: v.string(),
        joint: v.string(),
        from: v.string(),
        kept: v.picklist(['new', 'newer', 'known']),
      }),
    ),
  }),
  checkForeign: v.object({ fault: nullableText, at: v.string(), by: v.string() }),
  history: v.object({
    lines: v.array(HistoryLineSchema),
    foreign: v.array(
      v.object({
        run: id,
        number: v.string(),
        joint: v.string(),
        from: v.string(),
        fingerprint: v.string(),
        at: v.string(),
      }),
    ),
    next: nullableText,
  }),
  followUps: v.object({ due: v.array(DueSchema), hasFeed: v.boolean() }),
  settleFollowUp: OkSchema,
  eraseCustomer: v.object({ erased: v.number() }),
  witness: v.object({
    format: v.literal('stennet-checkpoint'),
    v: v.literal(1),
    shop: id,
    place: v.number(),
    hash: v.string(),
    seal: v.string(),
  }),
  makeFeed: v.object({ path: v.string() }),
  dropFeed: OkSchema,
  saveShop: OkSchema,
} as const;
