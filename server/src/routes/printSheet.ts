import type { Express } from 'express';
import { AppError } from '@stennet/core/errors';
import { onlyRow } from '../db/database';
import findSheetRevision from '../db/queries/findSheetRevision.sql';
import { standingSheet, type SheetRow } from '../db/sheets';
import { namesIn, register, requirePerson, type Deps } from '../http/serve';
import { sheetPaper } from '../print/sheetPaper';

/** A sheet as one page of PDF, in the shop's paper and style. */
export function printRoutes(app: Express, deps: Deps): void {
  register(app, 'printSheet', async (req, res) => {
    const session = await requirePerson(deps, 'printSheet', req);
    const { sheet = '', revision = '' } = namesIn(req);
    const row = await deps.db.inShop(session.shop.id, async (client) =>
      onlyRow((await client.query<SheetRow & { hash: string }>(findSheetRevision, [sheet, revision])).rows, new AppError('NOT_FOUND')),
    );
    const doc = sheetPaper({ sheet: standingSheet(row), hash: row.hash, shop: session.shop, fonts: deps.fonts, now: deps.now() });
    res.set('Content-Type', 'application/pdf');
    res.set('Content-Disposition', `inline; filename="${sheet}-${revision}.pdf"`);
    doc.pipe(res);
  });
}
