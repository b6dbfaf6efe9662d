import { textsOf } from '@stennet/core/language';
import { today } from '@/language/en/today';

export const text = textsOf('today', today);
