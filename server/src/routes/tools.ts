import type { Express } from 'express';
import { problemsOf, type ListedTool, type ShopTool } from '@stennet/core/prepare';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import listTools from '../db/queries/listTools.sql';
import saveTool from '../db/queries/saveTool.sql';
import { serve, type Deps } from '../http/serve';

interface ToolRow {
  id: string;
  tool: ShopTool;
  version: number;
  retired: boolean;
  changedAt: string;
  changedBy: string | null;
}

/** What the shop has for tightening. */
export function toolRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'tools', async ({ client }) => ({
    tools: (await client.query<ToolRow>(listTools)).rows,
  }));
  serve(app, deps, 'saveTool', async ({ client, params, body, session, deps: { now } }) => {
    const { version, tool, retired } = body;
    if (problemsOf(tool).length > 0) throw new AppError('TOOL_RANGE');
    const { rowCount } = await client.query(saveTool, [
      session.shop.id,
      params.tool,
      tool.kind,
      tool.name,
      JSON.stringify(tool),
      version,
      retired,
      session.person.id,
      now(),
    ]);
    if (rowCount === 0) {
      const other = (await client.query<ToolRow>(listTools)).rows.find((t) => t.id === params.tool);
      throw new AppError('TOOL_CHANGED', { by: other?.changedBy ?? 'Somebody' });
    }
    return { ok: true };
  });
}

/** Tools that are not put away. */
export async function toolsInUse(client: Client): Promise<ListedTool[]> {
  return (await client.query<ToolRow>(listTools)).rows
    .filter((t) => !t.retired)
    .map((t) => ({ id: t.id, ...t.tool }));
}
