import { textsOf } from '@stennet/core/language';
import { print } from '../language/en/print';

/** Every sentence on paper. */
export const text = textsOf('print', print);
