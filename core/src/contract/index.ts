export { isAllowed, permissions, ROLES, type Permission, type Role } from './permissions';
export { routes, type RouteName } from './routes';
export { ChangesQuery, ExportQuery, FindQuery, ImportQuery, SignInBody, SwitchShopBody } from './bodies';
export { replies, type Appended, type Joint, type Me, type Order, type RunBrief, type Shop } from './replies';
export { finite, FastenerIdSchema, KeySchema, textOf, TimeSchema, UuidSchema } from './text';
