export const roles = {
  lead: 'lead technician',
  technician: 'technician',
  adviser: 'service advisor',
  apprentice: 'apprentice',
  owner: 'owner',
} as const;
