import { textsOf } from '@stennet/core/language';
import { find } from '@/language/en/find';

export const text = textsOf('find', find);
