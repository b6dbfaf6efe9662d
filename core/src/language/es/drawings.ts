import type { Translation } from '../language';
import type { drawings as english } from '../en/drawings';

export const drawings: Translation<typeof english> = {
  drive: 'cuadro de {{drive}} pulg',
  turns_one: '{{count}} vuelta {{deg}}',
  turns_other: '{{count}} vueltas {{deg}}',
};
