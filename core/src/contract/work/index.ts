import * as v from 'valibot';
import { RunEventSchema } from '../../run/events';
import { StatementSchema } from '../../run/statement';
import { TraceSchema } from '../../trace';
import { SignInBody, SwitchShopBody } from '../bodies';
import { RecordFileSchema } from '../../record/recordFile';
import { type replies } from '../replies';
import type { RouteName } from '../routes';
import { HashSchema, textOf, TimeSchema, UuidSchema } from '../../schema/text';
import {
  AddJointBody,
  ApproveBody,
  DiscardDraftBody,
  JointSheetBody,
  SaveDraftBody,
} from './libraryBodies';
import {
  ApprovedSchema,
  DraftReplySchema,
  JointIdSchema,
  LibraryChangesSchema,
  LibrarySchema,
  BesideSchema,
  SavedDraftSchema,
  VehiclesReplySchema,
} from './libraryReplies';
import {
  AddJobBody,
  CreateOrderBody,
  OrderStateBody,
  SaveEntryBody,
  SaveOrderBody,
  SaveToolBody,
  WrenchCheckBody,
  SayBody,
  SettleBody,
  SignBody,
} from './orderBodies';
import {
  AddPersonBody,
  EnrolBody,
  MakeShopBody,
  SwitchPersonBody,
  ChangePasswordBody,
  EraseCustomerBody,
  GiveCodeBody,
  SavePersonBody,
  UseCodeBody,
  SaveShopBody,
  SetPinBody,
} from './peopleBodies';
import { PracticeRuleBody, practiceReplies } from './practiceBodies';
import { PracticeLogSchema } from '../../practice/practiceLog';
import { FoundSchema, JointSheetSchema, RunReplySchema, SheetReplySchema } from './runReplies';

export type { Say } from './orderBodies';
export { ImportLineSchema } from './libraryReplies';
export type { DraftBrief, DraftReply, ImportLine, KnownVehicle, Library } from './libraryReplies';
export { KeptRunSchema } from './runReplies';
export type { SheetBrief } from '../../find/sheetBrief';
export {
  PRACTICE_ROLES,
  type PracticeAttempt,
  type PracticeReply,
  type PracticeRule,
} from './practiceBodies';
export type { JointSheet, KeptRun, RunReply, SheetReply } from './runReplies';

/**
 * Made by the device at a start or a take-over and known to no one else: the device that writes in
 * that hold shows it.
 */
const holdKey = v.pipe(v.string(), v.regex(/^[\w-]{43}$/));
/**
 * Of an entry that goes out while another person is on: the session that it was confirmed in, and
 * the proof (core/contract/proof).
 */
const ProofSchema = v.strictObject({ event: UuidSchema, session: UuidSchema, proof: HashSchema });

export const AppendBody = v.strictObject({
  /** The device's own clock as it sends: how long each entry has lain there. */
  sentAt: v.optional(TimeSchema),
  deviceName: textOf(60),
  holdKey,
  proofs: v.optional(v.pipe(v.array(ProofSchema), v.maxLength(200)), []),
  events: v.pipe(v.array(RunEventSchema), v.minLength(1), v.maxLength(200)),
});

/** Bodies of every route that has one; routes that are not here take none. */
export const allBodies = {
  signIn: SignInBody,
  switchShop: SwitchShopBody,
  appendRunEvents: AppendBody,
  saveDraft: SaveDraftBody,
  discardDraft: DiscardDraftBody,
  approveDrafts: ApproveBody,
  setJointSheet: JointSheetBody,
  addJoint: AddJointBody,
  createOrder: CreateOrderBody,
  saveOrder: SaveOrderBody,
  setOrderState: OrderStateBody,
  addJob: AddJobBody,
  saveEntry: SaveEntryBody,
  saveTool: SaveToolBody,
  keepWrenchCheck: WrenchCheckBody,
  setPin: SetPinBody,
  sayStatement: SayBody,
  signRun: SignBody,
  settleFollowUp: SettleBody,
  saveShop: SaveShopBody,
  makeShop: MakeShopBody,
  addPerson: AddPersonBody,
  savePerson: SavePersonBody,
  giveCode: GiveCodeBody,
  eraseCustomer: EraseCustomerBody,
  useCode: UseCodeBody,
  changePassword: ChangePasswordBody,
  enrol: EnrolBody,
  switchPerson: SwitchPersonBody,
  keepTrace: TraceSchema,
  keepPractice: PracticeLogSchema,
  setPracticeRule: PracticeRuleBody,
} as const;
export const runReplies = {
  ...practiceReplies,
  run: RunReplySchema,
  jointSheet: JointSheetSchema,
  findSheets: FoundSchema,
  sheetsBeside: BesideSchema,
  sheet: SheetReplySchema,
  library: LibrarySchema,
  draft: DraftReplySchema,
  saveDraft: SavedDraftSchema,
  approveDrafts: ApprovedSchema,
  libraryChanges: LibraryChangesSchema,
  vehicles: VehiclesReplySchema,
  addJoint: JointIdSchema,
  foreignRecord: RecordFileSchema,
  trace: TraceSchema,
  keepTrace: v.object({ ok: v.literal(true) }),
  statements: v.object({ statements: v.array(StatementSchema) }),
  sayStatement: v.object({ statement: StatementSchema }),
} as const;

type Replies = typeof replies & typeof runReplies;
/** Routes that answer with a file have no reply of this kind. */
export type ReplyOf<R extends RouteName> = R extends keyof Replies
  ? v.InferOutput<Replies[R]>
  : never;
export type BodyOf<R extends RouteName> = R extends keyof typeof allBodies
  ? v.InferInput<(typeof allBodies)[R]>
  : undefined;
