import { text } from '../language/text';
import type { Express } from 'express';
import type { Signing } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import {
  faultText,
  oddTimeText,
  signingState,
  wordHash,
  wordText,
  type SignedKind,
  type SignedWord,
} from '@stennet/core/record';
import { brokenConstraint, type Client } from '../db/database';
import { insertSignedWord, setSigning } from '../db/records';
import { lockRun } from '../db/runs';
import { shelfFor, serve, type Call, type Deps } from '../http/serve';
import type { Session } from '../http/session';
import type { Found } from '../record/checkedRecords';
import { findIn, isFor, keptRecord, type Checkers, type KeptRecord } from '../record/readRecord';

type SignCall = Pick<Call<'signRun'>, 'client' | 'session' | 'params' | 'body'> & {
  deps: Pick<Deps, 'now' | 'keys' | 'files'> & Checkers;
};

const NO_WORD = '0'.repeat(64);

/**
 * Signing needs the server: it alone knows that nothing is on its way, and it alone has the shop's
 * key.
 */
export function signRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'signatures', async ({ client, params, session }) =>
    signingOf(await keptRecord(client, shelfFor(deps, session), params.run ?? ''), session, deps),
  );
  serve(app, deps, 'signRun', async (call) => signingOf(await sign(call), call.session, deps));
}

const wantsSecond = ({ sheet }: Pick<KeptRecord, 'sheet'>, session: Session): boolean =>
  session.shop.secondSignature || sheet.secondSignature === true;

async function signingOf(kept: KeptRecord, session: Session, deps: Deps): Promise<Signing> {
  const key = deps.keys.of(session.shop.id);
  const found = await findIn(kept, key, deps);
  const fault = found.fault && faultText(found.fault);
  const isOther = found.fault?.where === 'order';
  const why = mayNotSign(kept, found);
  return {
    state: signingState(kept.words, wantsSecond(kept, session)),
    wantsSecond: wantsSecond(kept, session),
    words: kept.words.map(({ id, kind, person, name, role, at, text = '' }) => ({
      id,
      kind,
      person,
      name,
      role,
      at,
      text,
    })),
    position: kept.chain.length,
    late: kept.late,
    oddTimes: kept.odd.map(oddTimeText),
    headHash: kept.row.head_hash,
    fingerprint: key.fingerprint,
    fault: isOther ? null : fault,
    signedForOther: isOther ? fault : null,
    mayNot: why && { code: why.code, params: { ...why.params } },
  };
}

/** Why no one at all can sign it now. */
function mayNotSign({ row }: KeptRecord, { fault, pending }: Found): AppError | null {
  if (fault && fault.where !== 'order')
    return new AppError('RECORD_BROKEN', { fault: faultText(fault) });
  if (row.state !== 'finished') return new AppError('RECORD_NOT_FINISHED');
  return pending > 0 ? new AppError('RECORD_PENDING', { count: pending }) : null;
}

export async function sign({ client, params, body, session, deps }: SignCall): Promise<KeptRecord> {
  const run = params.run ?? '';
  // A signature waits for a write in progress.
  await lockRun(client, run, null);
  const shelf = shelfFor(deps, session);
  const kept = await keptRecord(client, shelf, run);
  // Sent again after a lost answer.
  if (kept.words.some((w) => w.id === body.id)) return kept;
  const why = mayNotSign(kept, await findIn(kept, deps.keys.of(session.shop.id), deps));
  if (why) throw why;
  if (body.position !== kept.chain.length) throw new AppError('RECORD_UNSENT');
  assertTurn(kept, body.kind, session, body.text);
  await keep(client, kept, wordOf(kept, body, session, deps.now()), session, deps);
  return keptRecord(client, shelf, run);
}

function assertTurn(
  { words, events }: KeptRecord,
  kind: SignedKind,
  session: Session,
  text: string | undefined,
): void {
  const first = words.find((w) => w.kind === 'technician');
  if (kind === 'addendum') {
    if (!first) throw new AppError('RECORD_FIRST');
    if (!text?.trim()) throw new AppError('WORD_EMPTY');
    return;
  }
  const own = words.find((w) => w.kind === kind);
  if (own) throw new AppError('RECORD_ALREADY_SIGNED', { name: own.name });
  if (kind === 'technician' && !events.some((e) => e.person === session.person.id))
    throw new AppError('NOT_YOUR_WORK');
  if (kind === 'second' && !first) throw new AppError('RECORD_FIRST');
  if (kind === 'second' && first?.person === session.person.id)
    throw new AppError('SECOND_IS_ANOTHER');
}

function wordOf(
  kept: KeptRecord,
  said: { id: string; kind: SignedKind; text?: string | undefined },
  session: Session,
  now: Date,
): SignedWord {
  const last = kept.signatures.at(-1);
  return {
    format: 'stennet-signature',
    v: 1,
    id: said.id,
    shop: session.shop.id,
    run: kept.row.id,
    kind: said.kind,
    person: session.person.id,
    name: session.person.name,
    role: session.role,
    at: now.toISOString(),
    ...(said.text?.trim() ? { text: said.text.trim() } : {}),
    of: isFor(kept),
    position: kept.chain.length,
    headHash: kept.row.head_hash,
    before: last ? wordHash(last.body) : NO_WORD,
  };
}

async function keep(
  client: Client,
  kept: KeptRecord,
  word: SignedWord,
  session: Session,
  deps: Pick<Deps, 'keys'>,
): Promise<void> {
  const body = wordText(word);
  const signature = deps.keys.of(session.shop.id).sign(body);
  try {
    await insertSignedWord(
      client,
      word.shop,
      word.run,
      kept.signatures.length + 1,
      word.id,
      word.kind,
      word.person,
      body,
      signature,
      word.at,
    );
  } catch (error) {
    if (brokenConstraint(error))
      throw new AppError('RECORD_ALREADY_SIGNED', { name: text.someone });
    throw error;
  }
  await setSigning(
    client,
    word.run,
    signingState([...kept.words, word], wantsSecond(kept, session)),
  );
}
