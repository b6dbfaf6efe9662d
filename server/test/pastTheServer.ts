import { createHash } from 'node:crypto';
import { demoId } from './world';

export const RUN = demoId(821);
export const OTHER_RUN = demoId(822);
export const OPEN_RUN = demoId(825);
export const ORDER = demoId(252);
export const JONAH = demoId(11);
export const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
export const of = (id: string): string => `'${id}'`;
export const run = of(RUN);

export type Change = readonly [what: string, sql: string, said: RegExp];
