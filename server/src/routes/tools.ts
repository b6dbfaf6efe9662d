import { text } from '../language/text';
import type { Express } from 'express';
import { problemsOf } from '@stennet/core/prepare';
import { AppError } from '@stennet/core/errors';
import { listTools, saveTool } from '../db/tools';
import { serve, type Deps } from '../http/serve';

/** What the shop has for tightening. */
export function toolRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'tools', async ({ client }) => ({
    tools: await listTools(client),
  }));
  serve(app, deps, 'saveTool', async ({ client, params, body, session, deps: { now } }) => {
    const { version, tool, retired } = body;
    if (problemsOf(tool).length > 0) throw new AppError('TOOL_RANGE');
    const rowCount = await saveTool(
      client,
      session.shop.id,
      params.tool,
      tool.kind,
      tool.name,
      JSON.stringify(tool),
      version,
      retired,
      session.person.id,
      now(),
    );
    if (rowCount === 0) {
      const other = (await listTools(client)).find((t) => t.id === params.tool);
      throw new AppError('TOOL_CHANGED', { by: other?.changedBy ?? text.someone });
    }
    return { ok: true };
  });
}
