import { textsOf } from '@stennet/core/language';
import { followUps } from '@/language/en/followUps';

export const text = textsOf('followUps', followUps);
