import { textsOf } from '@stennet/core/language';
import { tools } from '@/language/en/tools';

export const text = textsOf('tools', tools);
