export { isAllowed, permissions, ROLES, type Permission, type Role } from './permissions';
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
  type Person,
  type RunBrief,
  type Shop,
  type Signing,
} from './replies';
export { DaySchema, finite, FastenerIdSchema, HashSchema, KeySchema, textOf, TimeSchema, UuidSchema } from './text';
