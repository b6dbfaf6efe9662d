import os from 'node:os';
import * as v from 'valibot';
import type { Express } from 'express';
import { rowsOf, time } from '../db/statement';
import listWaitingSql from '../db/queries/listWaiting.sql';
import countDevicesSql from '../db/queries/countDevices.sql';
import { listBackups } from '../http/backups';
import { freeBytes, streamsNow } from '../http/metrics';
import { serve, type Deps } from '../http/serve';

const countDevices = rowsOf(countDevicesSql, v.object({ devices: v.number() }));
const listWaiting = rowsOf(
  listWaitingSql,
  v.object({ person: v.string(), device: v.string(), seenAt: time, unsent: v.number() }),
);
const DAY_MS = 86_400_000;
const WEEK_MS = 7 * DAY_MS;
const startedAt = new Date();

/** How the shop's own house stands: for who looks after it. */
export function systemRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'system', async ({ client }) => {
    const now = deps.now();
    const [{ devices } = { devices: 0 }] = await countDevices(
      client,
      new Date(now.getTime() - DAY_MS),
    );
    const stands = await deps.db.standing();
    return {
      server: { name: os.hostname(), startedAt: startedAt.toISOString() },
      devices,
      streams: await streamsNow(),
      connections: stands.connections,
      waiting: stands.waiting,
      servers: stands.servers,
      unsent: await listWaiting(client, new Date(now.getTime() - WEEK_MS)),
      replicaLagS: stands.replicaLagS,
      archive:
        stands.archiveAgeS === null && !stands.archiveFails
          ? null
          : { ageS: stands.archiveAgeS, fails: stands.archiveFails },
      backups: await listBackups(deps.keys.folder),
      freeBytes: await freeBytes(deps.keys.folder),
    };
  });
}
