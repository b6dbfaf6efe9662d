import type { Translation } from '../language';
import type { roles as english } from '../en/roles';

export const roles: Translation<typeof english> = {
  lead: 'jefe de taller',
  technician: 'técnico',
  adviser: 'asesor',
  apprentice: 'aprendiz',
  owner: 'dueño',
};
