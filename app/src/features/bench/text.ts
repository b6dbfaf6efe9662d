import { textsOf } from '@stennet/core/language';
import { bench } from '@/language/en/bench';

export const text = textsOf('bench', bench);
