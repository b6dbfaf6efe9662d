import type { ListedTool } from '@stennet/core/prepare';
import type { Client } from '../db/database';
import { listTools } from '../db/tools';

/** Tools that are not put away. */
export async function toolsInUse(client: Client): Promise<ListedTool[]> {
  return (await listTools(client)).filter((t) => !t.retired).map((t) => ({ id: t.id, ...t.tool }));
}
