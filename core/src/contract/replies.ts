import * as v from 'valibot';
import { UNIT_CODES } from '../quantity/unit';
import { WrenchSchema } from '../quantity/wrench';
import { ROLES } from './permissions';

/** Replies are read leniently: an older app meets a newer server and passes over what it does not know. */
const id = v.string();
const nullableText = v.nullable(v.string());

export const ShopSchema = v.object({
  id,
  name: v.string(),
  locale: v.string(),
  timeZone: v.string(),
  paper: v.picklist(['A4', 'Letter']),
  torqueUnit: v.picklist(UNIT_CODES),
});
export const MeSchema = v.object({
  person: v.object({ id, name: v.string() }),
  shop: ShopSchema,
  role: v.picklist(ROLES),
  shops: v.array(v.object({ id, name: v.string(), role: v.picklist(ROLES) })),
  /** Given only where “today” is set: demo pictures and tests. */
  clockSetTo: v.nullable(v.string()),
});
export type Me = v.InferOutput<typeof MeSchema>;
export type Shop = v.InferOutput<typeof ShopSchema>;

const RunBriefSchema = v.object({
  id,
  state: v.picklist(['open', 'paused', 'finished']),
  holderPerson: v.string(),
  holderDevice: id,
  holderDeviceName: v.string(),
  lastAt: v.string(),
  /** Where it stands, as computed by core when the last event came in. */
  standing: v.object({ stage: v.number(), stages: v.number(), done: v.number(), of: v.number(), fastener: nullableText, stageName: nullableText }),
});
export type RunBrief = v.InferOutput<typeof RunBriefSchema>;

const JointSchema = v.object({
  id,
  name: v.string(),
  sheetId: id,
  revision: v.string(),
  sheetTitle: v.string(),
  run: v.nullable(RunBriefSchema),
});
export type Joint = v.InferOutput<typeof JointSchema>;

export const OrderSchema = v.object({
  id,
  number: v.string(),
  vehicle: v.object({ maker: v.string(), model: v.string(), engine: v.string(), plate: v.string(), vin: v.string(), built: v.string() }),
  odometer: v.object({ value: v.number(), unit: v.picklist(['km', 'mi']) }),
  customer: v.string(),
  concern: v.string(),
  bay: nullableText,
  promisedAt: nullableText,
  state: v.picklist(['open', 'waiting', 'out', 'inWork', 'toCheck', 'done', 'handedOver']),
  jobs: v.array(v.object({ id, title: v.string(), joints: v.array(JointSchema) })),
});
export type Order = v.InferOutput<typeof OrderSchema>;

export const TodaySchema = v.object({ orders: v.array(OrderSchema) });

export const WrenchesSchema = v.object({ wrenches: v.array(v.object({ ...WrenchSchema.entries })) });
export const AppendedSchema = v.object({
  stored: v.array(v.object({ id, position: v.number(), hash: v.string() })),
  refused: v.nullable(v.object({ id, code: v.string(), params: v.record(v.string(), v.union([v.string(), v.number()])) })),
});
export type Appended = v.InferOutput<typeof AppendedSchema>;
export const OkSchema = v.object({ ok: v.literal(true) });

/** What every screen may need; what only a run or a sheet needs stands in `contract/run`, which loads with them. */
export const replies = {
  signIn: MeSchema,
  signOut: OkSchema,
  switchShop: MeSchema,
  me: MeSchema,
  today: TodaySchema,
  order: OrderSchema,
  wrenches: WrenchesSchema,
  sheetPlaces: v.object({ places: v.array(v.object({ maker: v.string(), engine: v.string(), kind: v.string(), sheets: v.number() })) }),
  appendRunEvents: AppendedSchema,
  discardDraft: OkSchema,
  setJointSheet: OkSchema,
} as const;
