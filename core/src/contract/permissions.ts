/** Who may do what. The server enforces it; the app only hides what would be refused. */
export const ROLES = ['lead', 'technician', 'adviser', 'apprentice', 'owner'] as const;
export type Role = (typeof ROLES)[number];

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
  'shop.write': ['lead', 'owner'],
} as const satisfies Record<string, readonly Role[]>;
export type Permission = keyof typeof permissions;

/** @example isAllowed('adviser', 'run.write') // false */
export function isAllowed(role: Role, permission: Permission): boolean {
  return (permissions[permission] as readonly Role[]).includes(role);
}
