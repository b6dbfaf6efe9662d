import * as v from 'valibot';
import { UNIT_CODES } from '../quantity/unit';
import { PeopleSchema, SecuritySchema, SessionsSchema } from './peopleReplies';
import { ROLES } from '../people/permissions';
import { SigningSchema } from './signingReply';
import { OrderSchema, FollowUpSchema, WholeOrderSchema } from './orderReplies';
import { id, nullableText } from './plainReplies';
import { ThumbSchema } from './thumbReply';

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

export const TodaySchema = v.object({
  orders: v.array(OrderSchema),
  overdue: v.optional(v.number(), 0),
  /** There are more than were given. */
  more: v.optional(v.boolean(), false),
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

/** How the house stands. Seconds and bytes; null: there is none, or it can’t be told. */
const SystemSchema = v.object({
  server: v.object({ name: v.string(), startedAt: v.string() }),
  /** Used in this shop within a day. */
  devices: v.number(),
  streams: v.number(),
  connections: v.number(),
  waiting: v.number(),
  /** That are connected to the same database. */
  servers: v.array(v.object({ name: v.string(), startedAt: v.string() })),
  /** Devices of this shop that have entries which the server has not, as they said last. */
  unsent: v.array(
    v.object({ person: v.string(), device: v.string(), seenAt: v.string(), unsent: v.number() }),
  ),
  replicaLagS: v.nullable(v.number()),
  archive: v.nullable(v.object({ ageS: v.nullable(v.number()), fails: v.boolean() })),
  /** Made with ./stennet backup on this machine, the newest first. */
  backups: v.array(
    v.object({ at: v.string(), name: v.string(), bytes: v.number(), encrypted: v.boolean() }),
  ),
  freeBytes: v.nullable(v.number()),
});

/** Of a wrench: its checks, the latest first, and what it has done since the last good one. */
const WrenchChecksSchema = v.object({
  checks: v.array(
    v.object({
      id,
      day: v.string(),
      verdict: v.picklist(['within', 'unsure', 'outside']),
      check: v.looseObject({ day: v.string() }),
      by: nullableText,
    }),
  ),
  since: v.object({ day: nullableText, joints: v.number(), pulls: v.number() }),
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
/** What is due, with whose vehicle it is. */
const DueSchema = v.object({
  ...FollowUpSchema.entries,
  order: id,
  number: v.string(),
  customer: v.string(),
  contact: WholeOrderSchema.entries.contact,
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
 * What every screen may need; what only a run or a sheet needs stands in `contract/work`, which
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
  system: SystemSchema,
  tools: ToolsSchema,
  saveTool: OkSchema,
  wrenchChecks: WrenchChecksSchema,
  keepWrenchCheck: v.object({ verdict: v.picklist(['within', 'unsure', 'outside']) }),
  setPin: OkSchema,
  /** Bytes that are still to come begin at `have`; `photo` once it is kept. */
  photoPiece: v.object({
    have: v.number(),
    photo: nullableText,
    width: v.number(),
    height: v.number(),
  }),
  sheetThumb: ThumbSchema,
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
