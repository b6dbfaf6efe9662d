import { textsOf } from '@stennet/core/language';
import { uiFollowUps } from '@/language/en/uiFollowUps';

export const text = textsOf('uiFollowUps', uiFollowUps);
