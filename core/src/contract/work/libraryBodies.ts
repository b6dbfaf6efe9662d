import * as v from 'valibot';
import { DraftSchema } from '../../draft/draft';
import { KeySchema, textOf, UuidSchema } from '../../schema/text';

const version = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000));
const revision = v.pipe(v.string(), v.regex(/^[A-Z]{1,3}$/));

/** version 0: the draft is new. basedOn: the revision it was begun from, if any. */
export const SaveDraftBody = v.strictObject({
  version,
  basedOn: v.nullable(revision),
  draft: DraftSchema,
});
export const DiscardDraftBody = v.strictObject({ version });
/** seen: warnings that were read and are meant so, by name. */
export const ApproveBody = v.strictObject({
  drafts: v.pipe(
    v.array(
      v.strictObject({
        sheet: KeySchema,
        version,
        seen: v.pipe(v.array(v.pipe(v.string(), v.maxLength(200))), v.maxLength(200)),
      }),
    ),
    v.minLength(1),
    v.maxLength(100),
  ),
});
export const JointSheetBody = v.strictObject({ sheet: KeySchema, revision });
export const AddJointBody = v.strictObject({
  joint: UuidSchema,
  name: textOf(60),
  sheet: KeySchema,
  revision,
});
