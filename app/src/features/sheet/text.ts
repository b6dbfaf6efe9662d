import { textsOf } from '@stennet/core/language';
import { sheet } from '@/language/en/sheet';

export const text = textsOf('sheet', sheet);
