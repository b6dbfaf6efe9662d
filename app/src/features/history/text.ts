import { textsOf } from '@stennet/core/language';
import { history } from '@/language/en/history';

export const text = textsOf('history', history);
