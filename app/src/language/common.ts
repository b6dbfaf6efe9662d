import { textsOf } from '@stennet/core/language';
import { common } from './en/common';

/** What several screens say. */
export const commonText = textsOf('common', common);
