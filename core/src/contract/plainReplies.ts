import * as v from 'valibot';

/**
 * Replies are read leniently: an older app meets a newer server and passes over what it does not
 * know.
 */

export const id = v.string();
export const nullableText = v.nullable(v.string());
