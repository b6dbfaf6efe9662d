import { textsOf } from '../language';
import { practice } from '../language/en/practice';

/** What exercises and criteria are called. */
export const practiceText = textsOf('practice', practice);
