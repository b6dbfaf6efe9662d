import type { Express } from 'express';
import saveShop from '../db/queries/saveShop.sql';
import { serve, type Deps } from '../http/serve';

/** What a shop decides for itself. */
export function shopRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'saveShop', async ({ client, body }) => {
    await client.query(saveShop, [body.secondSignature]);
    return { ok: true };
  });
}
