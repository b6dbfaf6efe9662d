import { textsOf } from '@stennet/core/language';
import { prepare } from '@/language/en/prepare';

export const text = textsOf('prepare', prepare);
