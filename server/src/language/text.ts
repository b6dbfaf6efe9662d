import { textsOf } from '@stennet/core/language';
import { reasons } from './en/reasons';

/** What the server says beside its papers: why a file was not taken, what a calendar is called. */
export const text = textsOf('reasons', reasons);
