import type { Express } from 'express';
import Papa from 'papaparse';
import * as v from 'valibot';
import { HistoryQuery, type HistoryLine } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { bare } from '@stennet/core/find';
import type { Client } from '../db/database';
import { listForeign } from '../db/records';
import { register, requirePerson, type Deps } from '../http/serve';
import {
  historyOfJoint,
  historyOfLot,
  historyOfPlate,
  historyOfSheet,
  historyOfVehicle,
  historyOfWrench,
} from '../db/history';

type Asked = v.InferOutput<typeof HistoryQuery>;
const PAGE = 100;
/** A recall list is one file: as many as a shop can call. */
const MOST_CALLS = 5000;

/**
 * What was tightened, found by vehicle, kind of joint, wrench, revision or lot; and as a list of
 * whom to call.
 */
export function historyRoutes(app: Express, deps: Deps): void {
  register(app, 'history', async (req, res) => {
    const session = await requirePerson(deps, 'history', req);
    const parsed = v.safeParse(HistoryQuery, req.query);
    if (!parsed.success) throw new AppError('BAD_REQUEST', { where: 'what to look for' });
    const asked = parsed.output;
    if (asked.form === 'csv') {
      const lines = await deps.db.readInShop(session.shop.id, (client) => everyLine(client, asked));
      res
        .set('Content-Type', 'text/csv; charset=utf-8')
        .set('Content-Disposition', `attachment; filename="recall-${asked.by}.csv"`);
      return void res.send(
        `\ufeff${Papa.unparse([CALL_COLUMNS, ...lines.map(callRow)], { escapeFormulae: true })}\r\n`,
      );
    }
    const reply = await deps.db.readInShop(session.shop.id, async (client) => {
      const lines = await linesOf(client, asked, asked.before);
      const foreign = asked.by === 'vehicle' ? await listForeign(client, asked.vin) : [];
      return {
        lines: lines.slice(0, PAGE),
        foreign,
        next: lines.length > PAGE ? placeOf(lines[PAGE - 1]) : null,
      };
    });
    res.json(reply);
  });
}

const CALL_COLUMNS = [
  'order',
  'customer',
  'plate',
  'vin',
  'vehicle',
  'joint',
  'sheet',
  'revision',
  'at (UTC)',
  'pulls with it',
];
const callRow = (l: HistoryLine): (string | number)[] => [
  `RO ${l.number}`,
  l.customer,
  l.vehicle.plate,
  l.vehicle.vin,
  `${l.vehicle.maker} ${l.vehicle.model}`,
  [l.joint, l.instance].filter(Boolean).join(' '),
  l.title,
  l.revision,
  new Date(l.at).toISOString().replace('T', ' ').slice(0, 19),
  l.use?.pulls ?? '',
];

const placeOf = (line: HistoryLine | undefined): string | null =>
  line ? `${new Date(line.use?.lastAt ?? line.at).toISOString()}~${line.run}` : null;

async function everyLine(client: Client, asked: Asked): Promise<HistoryLine[]> {
  const all: HistoryLine[] = [];
  let before = asked.before;
  do {
    const lines = await linesOf(client, asked, before);
    all.push(...lines.slice(0, PAGE));
    before = lines.length > PAGE ? (placeOf(lines[PAGE - 1]) ?? undefined) : undefined;
  } while (before && all.length < MOST_CALLS);
  return all;
}

async function linesOf(
  client: Client,
  asked: Asked,
  before: string | undefined,
): Promise<HistoryLine[]> {
  const [at = null, run = null] = before?.split('~') ?? [];
  const [ask, values] = questionOf(asked);
  return ask(client, at, run, ...values);
}

function questionOf(asked: Asked): [typeof historyOfVehicle, (string | null)[]] {
  switch (asked.by) {
    case 'vehicle':
      return [historyOfVehicle, [asked.vin]];
    case 'plate':
      return [historyOfPlate, [bare(asked.plate)]];
    case 'joint':
      return [historyOfJoint, [asked.engine, asked.kind]];
    case 'wrench':
      return [historyOfWrench, [asked.tool, asked.from ?? null, asked.to ?? null]];
    case 'sheet':
      return [historyOfSheet, [asked.sheet, asked.revision]];
    case 'lot':
      return [historyOfLot, [asked.lot]];
  }
}
