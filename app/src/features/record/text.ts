import { textsOf } from '@stennet/core/language';
import { record } from '@/language/en/record';

export const text = textsOf('record', record);
