import { textsOf } from '@stennet/core/language';
import { people } from '@/language/en/people';

export const text = textsOf('people', people);
