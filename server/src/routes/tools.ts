import { text } from '../language/text';
import type { Express } from 'express';
import { judgeCheck } from '@stennet/core/calibration';
import { dayIn } from '@stennet/core/followUp';
import { problemsOf, type ShopTool } from '@stennet/core/prepare';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import {
  countWrenchUse,
  insertWrenchCheck,
  listTools,
  listWrenchChecks,
  saveTool,
} from '../db/tools';
import { serve, type Call, type Deps } from '../http/serve';

/** What the shop has for tightening, and how its torque wrenches were checked. */
export function toolRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'tools', async ({ client }) => ({
    tools: await listTools(client),
  }));
  serve(app, deps, 'saveTool', async (call) => {
    const { version, tool, retired } = call.body;
    if (problemsOf(tool).length > 0) throw new AppError('TOOL_RANGE');
    await keepTool(call, version, tool, retired);
    return { ok: true };
  });
  serve(app, deps, 'wrenchChecks', async ({ client, params: { tool } }) => {
    const checks = await listWrenchChecks(client, tool);
    const day = checks.find((c) => c.verdict === 'within')?.day ?? null;
    const [use = { joints: 0, pulls: 0 }] = await countWrenchUse(client, tool, day);
    return { checks, since: { day, ...use } };
  });
  serve(app, deps, 'keepWrenchCheck', keepCheck);
}

/**
 * The verdict is the server's own. A wrench within its limits is good until the next check is due;
 * one outside is out of use at once.
 */
async function keepCheck(call: Call<'keepWrenchCheck'>) {
  const { client, session, params, deps } = call;
  const { check, version, due } = call.body;
  const kept = (await listTools(client)).find((t) => t.id === params.tool);
  if (!kept || !('graduation' in kept.tool)) throw new AppError('NOT_FOUND');
  const { tool } = kept;
  if (check.unit !== tool.unit || check.max !== tool.max || check.graduation !== tool.graduation)
    throw new AppError('CHECK_SCALE');
  if (check.day > dayIn(deps.now(), session.shop.timeZone) || due <= check.day)
    throw new AppError('CHECK_DAY');
  const { verdict } = judgeCheck(check);
  const isNew = await insertWrenchCheck(
    client,
    session.shop.id,
    params.check,
    params.tool,
    check.day,
    verdict,
    JSON.stringify(check),
    session.person.id,
    deps.now(),
  );
  if (isNew > 0 && (await isLatest(client, params))) {
    if (verdict === 'within')
      await keepTool(call, version, { ...tool, calibratedUntil: due }, false);
    if (verdict === 'outside') await keepTool(call, version, tool, true);
  }
  return { verdict };
}

/** One that was found in a drawer and is entered late changes nothing about the wrench today. */
async function isLatest(client: Client, params: Record<string, string>): Promise<boolean> {
  return (await listWrenchChecks(client, params.tool))[0]?.id === params.check;
}

async function keepTool(
  { client, session, params, deps }: Call<'saveTool'> | Call<'keepWrenchCheck'>,
  version: number,
  tool: ShopTool,
  retired: boolean,
): Promise<void> {
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
    deps.now(),
  );
  if (rowCount > 0) return;
  const other = (await listTools(client)).find((t) => t.id === params.tool);
  throw new AppError('TOOL_CHANGED', { by: other?.changedBy ?? text.someone });
}
