export type { Signing } from './signingReply';
export {
  ERASED,
  IDLE_MINUTES,
  isAllowed,
  permissions,
  RETENTION_MONTHS,
  ROLES,
  SECURITY_KINDS,
  type Permission,
  type Role,
  type SecurityKind,
} from '../people/permissions';
export { routes, type RouteName } from './routes';
export {
  ChangesQuery,
  DiscQuery,
  ExportQuery,
  FindQuery,
  FollowUpsQuery,
  HistoryQuery,
  ImportQuery,
  OrdersQuery,
  PartsQuery,
  PieceQuery,
  RecordQuery,
  SignInBody,
  SwitchShopBody,
} from './bodies';
export {
  jointSeen,
  replies,
  runName,
  type Appended,
  type Due,
  type Entry,
  type FollowUp,
  type HistoryLine,
  type Joint,
  type Me,
  type Order,
  type RunBrief,
  type Shop,
} from './replies';
export {
  DaySchema,
  finite,
  FastenerIdSchema,
  HashSchema,
  KeySchema,
  textOf,
  TimeSchema,
  TimeZoneSchema,
  UuidSchema,
} from '../schema/text';
export type { Person, SecurityLine, SessionLine } from './peopleReplies';
export { nameKey, nameLook } from '../people/personName';
