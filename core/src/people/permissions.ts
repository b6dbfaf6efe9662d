import { textsOf } from '../language';
import { roles } from '../language/en/roles';

/** Who may do what. The server enforces it; the app only hides what would be refused. */
export const ROLES = ['lead', 'technician', 'adviser', 'apprentice', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** What each role is called. */
export const ROLE_TEXT: Readonly<Record<Role, string>> = textsOf('roles', roles);

export const permissions = {
  'order.read': ['lead', 'technician', 'adviser', 'apprentice', 'owner'],
  'order.write': ['lead', 'technician', 'adviser'],
  'run.read': ['lead', 'technician', 'adviser', 'apprentice', 'owner'],
  'run.write': ['lead', 'technician'],
  'sheet.read': ['lead', 'technician', 'adviser', 'apprentice', 'owner'],
  'sheet.write': ['lead', 'technician'],
  'sheet.approve': ['lead'],
  'tool.read': ['lead', 'technician', 'adviser', 'apprentice', 'owner'],
  'tool.write': ['lead'],
  'practice.do': ['lead', 'technician', 'adviser', 'apprentice', 'owner'],
  /** Sees everybody's practice, and says what is asked for. */
  'practice.lead': ['lead'],
  'shop.write': ['lead', 'owner'],
} as const satisfies Record<string, readonly Role[]>;
export type Permission = keyof typeof permissions;

/** After how long without a touch a session may ask who it is. */
export const IDLE_MINUTES = [15, 60, 240, 840] as const;

/** What stands where a customer was erased. */
export const ERASED = '—';

/** Months after hand-over for which a shop keeps who had it done. */
export const RETENTION_MONTHS = [24, 60, 120] as const;

/** What is kept of the door: who did it, when and from where. */
export const SECURITY_KINDS = [
  'signedIn',
  'switchedIn',
  'wrongPassword',
  'wrongPin',
  'passwordChanged',
  'pinSet',
  'codeGiven',
  'codeUsed',
  'personAdded',
  'personChanged',
  'sessionEnded',
  'shopChanged',
  'enrolled',
  'customerErased',
] as const;
export type SecurityKind = (typeof SECURITY_KINDS)[number];

/** @example isAllowed('advisor', 'run.write') // false */
export function isAllowed(role: Role, permission: Permission): boolean {
  return (permissions[permission] as readonly Role[]).includes(role);
}
