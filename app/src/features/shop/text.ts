import { textsOf } from '@stennet/core/language';
import { shop } from '@/language/en/shop';

export const text = textsOf('shop', shop);
