import { timingSafeEqual } from 'node:crypto';
import fs from 'node:fs/promises';
import type { Request, RequestHandler, Response } from 'express';
import { Counter, Gauge, Histogram, Registry, collectDefaultMetrics } from 'prom-client';
import { AppError } from '@stennet/core/errors';
import type { Database } from '../db/database';
import { hashOf } from './session';

/** From one that shows at once to one that someone waits for. */
const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

/** What this process has done, and how it stands; Prometheus text. */
export interface Metrics {
  /** Times every request by its route. */
  watch: RequestHandler;
  /** Answers who shows the token; for everybody else there is nothing here. */
  answer: RequestHandler;
}

const registry = new Registry();
const kept = new Counter({
  name: 'stennet_run_events_total',
  help: 'Entries of runs that were stored',
  registers: [registry],
});
const refused = new Counter({
  name: 'stennet_refusals_total',
  help: 'Refusals by code',
  labelNames: ['code'],
  registers: [registry],
});
export const countKept = (entries: number): void => kept.inc(entries);
export const countRefused = (code: string): void => refused.inc({ code });

const open = new Gauge({
  name: 'stennet_streams',
  help: 'Browsers that are told of changes',
  registers: [registry],
});
export const countStream = (more: 1 | -1): void => open.inc(more);
export const streamsNow = async (): Promise<number> => (await open.get()).values[0]?.value ?? 0;

const seconds = new Histogram({
  name: 'stennet_request_seconds',
  help: 'Requests by route and status',
  labelNames: ['method', 'route', 'status'],
  buckets: SECONDS,
  registers: [registry],
});
collectDefaultMetrics({ register: registry });

/**
 * @param token who shows it may read; null: no one may
 * @param disk a folder on the disk that data and keys are on
 */
export function metrics(db: Database, token: string | null, disk: string): Metrics {
  const stands = standing(db, disk);
  return {
    watch: (req, res, next) => {
      const end = seconds.startTimer();
      res.once('finish', () =>
        end({ method: req.method, route: routeOf(req), status: res.statusCode }),
      );
      next();
    },
    answer: async (req: Request, res: Response) => {
      if (!token || !shows(req, token)) throw new AppError('NOT_FOUND');
      const [own, now] = await Promise.all([registry.metrics(), stands()]);
      res.type(registry.contentType).send(`${own}${now}`);
    },
  };
}

/** Never an address with ids in it: as many rows as there are routes. */
const routeOf = (req: Request): string => {
  const { path } = (req.route ?? {}) as { path?: unknown };
  return typeof path === 'string' ? path : 'other';
};

function shows(req: Request, token: string): boolean {
  const given = /^Bearer (.+)$/.exec(req.get('authorization') ?? '')?.[1] ?? '';
  return timingSafeEqual(hashOf(given), hashOf(token));
}

/** Read when it is asked for: a database that is away is said to be away. */
function standing(db: Database, disk: string): () => Promise<string> {
  return async () => {
    const now = new Registry();
    const gauge = (name: string, help: string, value: number | null): void => {
      if (value !== null) new Gauge({ name, help, registers: [now] }).set(value);
    };
    const state = await db.standing().catch(() => null);
    gauge('stennet_db_up', '1: the database answers', state ? 1 : 0);
    gauge('stennet_db_connections', 'Connections to the database', state?.connections ?? null);
    gauge('stennet_db_waiting', 'Requests that wait for one', state?.waiting ?? null);
    gauge(
      'stennet_replica_lag_seconds',
      'How far the replica is behind',
      state?.replicaLagS ?? null,
    );
    gauge('stennet_archive_age_seconds', 'Since a file was archived', state?.archiveAgeS ?? null);
    gauge('stennet_archive_failing', '1: the last try failed', state?.archiveFails ? 1 : 0);
    gauge('stennet_disk_free_bytes', 'Room on the disk of the keys', await freeBytes(disk));
    return now.metrics();
  };
}

/** Room on the disk that a folder is on; null where it can’t be told. */
export const freeBytes = (folder: string): Promise<number | null> =>
  fs.statfs(folder).then(
    ({ bavail, bsize }) => bavail * bsize,
    () => null,
  );
