export type { Signing } from './signingReply';
export {
  ERASED,
  IDLE_MINUTES,
  isAllowed,
  permissions,
  RETENTION_MONTHS,
  ROLE_TEXT,
  ROLES,
  SECURITY_KINDS,
  type Permission,
  type Role,
  type SecurityKind,
} from '../people/permissions';
export { routes, type RouteName } from './routes';
export {
  ChangesQuery,
  BenchDiscQuery,
  DiscQuery,
  ExportQuery,
  BesideQuery,
  FindQuery,
  FollowUpsQuery,
  HistoryQuery,
  ImportQuery,
  OrdersQuery,
  VehiclesQuery,
  PartsQuery,
  PieceQuery,
  RecordQuery,
  SignInBody,
  SwitchShopBody,
} from './bodies';
export {
  replies,
  HistoryLineSchema,
  type Appended,
  type Due,
  type HistoryLine,
  type Me,
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
export {
  jointSeen,
  onItsWay,
  runName,
  type Entry,
  type FollowUp,
  type Joint,
  type Order,
  type RunBrief,
} from './orderReplies';
