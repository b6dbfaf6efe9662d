import { textsOf } from '@stennet/core/language';
import { order } from '@/language/en/order';

export const text = textsOf('order', order);
