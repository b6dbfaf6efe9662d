import { textsOf } from '@stennet/core/language';
import { around } from '@/language/en/around';

export const text = textsOf('around', around);
