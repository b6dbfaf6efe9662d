import {
  sha256Hex,
  type ChainRow,
  GENESIS_HASH,
  sealEvent,
  canonicalJson,
  type SignedWord,
  wordText,
} from '../record';
import { headSheet } from './demoSheets';
import { testId } from '../rehearse/hands';
import { Technician } from '../rehearse/technician';

/** A key that only this test has: what it signs no one else can. */
export const seal = (text: string): string => sha256Hex(`key ${text}`);
export const fits = (text: string, signature: string): boolean => signature === seal(text);
export const t = new Technician(headSheet);
const events = t.finish();
export const chainOf = (list: typeof events): ChainRow[] => {
  let prevHash = GENESIS_HASH;
  return list.map((event, i) => {
    const sealed = sealEvent({
      position: i + 1,
      receivedAt: '2026-11-24T09:00:00.000Z',
      prevHash,
      event,
    });
    prevHash = sealed.hash;
    return { ...sealed, seal: seal(sealed.hash) };
  });
};

export const hash = sha256Hex(canonicalJson(headSheet));
export const own = events.map((e) =>
  e.type === 'started' ? { ...e, payload: { ...e.payload, sheetHash: hash } } : e,
) as typeof events;
export const chain = chainOf(own);
export const pinned = { sheet: headSheet, hash, run: t.place.run };
export const word = (over: Partial<SignedWord> = {}): SignedWord => ({
  format: 'stennet-signature',
  v: 1,
  id: testId(50),
  shop: testId(1),
  run: t.place.run,
  kind: 'technician',
  person: t.place.person,
  name: 'Jonah Pike',
  role: 'technician',
  at: '2026-11-24T10:00:00.000Z',
  position: chain.length,
  headHash: chain.at(-1)?.hash ?? '',
  before: GENESIS_HASH,
  ...over,
});

export const signed = (w: SignedWord): { body: string; signature: string } => ({
  body: wordText(w),
  signature: seal(wordText(w)),
});
