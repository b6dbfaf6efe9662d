import type { Express } from 'express';
import * as v from 'valibot';
import { BenchDiscQuery, DiscQuery } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { anglesOf } from '@stennet/core/procedure';
import { onlyRow } from '../db/database';
import { findSheetRevision } from '../db/sheets';
import { standingSheet } from '../db/standingSheets';
import { namesIn, register, requirePerson, type Deps } from '../http/serve';
import { discPaper } from '../print/discPaper';
import { sheetPaper } from '../print/sheetPaper';

/** A sheet as one page of PDF, in the shop's paper and style. */
export function printRoutes(app: Express, deps: Deps): void {
  register(app, 'printSheet', async (req, res) => {
    const session = await requirePerson(deps, 'printSheet', req);
    const { sheet = '', revision = '' } = namesIn(req);
    const row = await deps.db.lookInShop(session.shop.id, async (client) =>
      onlyRow(await findSheetRevision(client, sheet, revision), new AppError('NOT_FOUND')),
    );
    const doc = await sheetPaper({
      sheet: standingSheet(row),
      hash: row.hash,
      shop: session.shop,
      fonts: deps.fonts,
      now: deps.now(),
    });
    res.set('Content-Type', 'application/pdf');
    res.set('Content-Disposition', `inline; filename="${sheet}-${revision}.pdf"`);
    doc.pipe(res);
  });

  register(app, 'anglePaper', async (req, res) => {
    const session = await requirePerson(deps, 'anglePaper', req);
    const { sheet = '', revision = '' } = namesIn(req);
    const asked = v.safeParse(DiscQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'drive' });
    const row = await deps.db.lookInShop(session.shop.id, async (client) =>
      onlyRow(await findSheetRevision(client, sheet, revision), new AppError('NOT_FOUND')),
    );
    res.set('Content-Type', 'application/pdf');
    res.set('Content-Disposition', `inline; filename="angle-disc-${sheet}.pdf"`);
    const standing = standingSheet(row);
    const disc = {
      anglesDeg: anglesOf(standing),
      drive: asked.output.drive ?? '1/2',
      sheet: standing,
    };
    (await discPaper(disc, session.shop, deps.fonts)).pipe(res);
  });

  register(app, 'benchDisc', async (req, res) => {
    const session = await requirePerson(deps, 'benchDisc', req);
    const asked = v.safeParse(BenchDiscQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'angle or drive' });
    const { angle, drive = '1/2' } = asked.output;
    res.set('Content-Type', 'application/pdf');
    res.set('Content-Disposition', 'inline; filename="angle-disc.pdf"');
    const disc = { anglesDeg: [angle], drive, sheet: null };
    (await discPaper(disc, session.shop, deps.fonts)).pipe(res);
  });
}
