import type { SheetBrief } from '@stennet/core/contract/work';
import { text } from '../text';

/** What must not be overlooked on a sheet, in a few words. */
export const marksOf = (brief: SheetBrief): string[] =>
  [
    brief.oneTimeUse ? text.once : '',
    ...brief.compounds,
    brief.conflicts > 0 ? text.conflict : '',
    brief.hardware ? text.kit({ maker: brief.hardware }) : '',
  ].filter(Boolean);

export const revisionOf = (brief: SheetBrief): string =>
  `${text.rev({ r: brief.revision })}${brief.status === 'approved' ? '' : `, ${text.status[brief.status]}`}`;
