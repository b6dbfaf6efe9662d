// What the devices were told, against which the database is held at the end.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { clusterIn } from '../cluster.mjs';

export const isShort = process.argv.includes('--short');
export const GOAL = isShort
  ? { pulls: 500, kills: 4, databaseKills: 1, cuts: 4, takeOvers: 3 }
  : { pulls: 10_000, kills: 20, databaseKills: 5, cuts: 20, takeOvers: 10 };
export const DEVICES = 8;
export const HALDEN = '5e000000-0000-4000-8000-000000000001';
export const JOB = '5e000000-0000-4000-8000-000000000301';
export const PEOPLE = ['Jonah Pike', 'Mei Sandoval', 'Ines Corte'];
export const PATIENCE_MS = 6000;
export const STILL_MS = 180_000;

export const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-soak-'));
fs.chmodSync(home, 0o755);
export const cluster = clusterIn(home);
export const counted = {
  pulls: 0,
  kills: 0,
  databaseKills: 0,
  cuts: 0,
  takeOvers: 0,
  retries: 0,
  claims: 0,
  endedThemselves: 0,
};

/** What each device was told that the server has, and what it was told is kept aside. */
export const acknowledged = new Map<string, string>();
export const keptAside = new Set<string>();
/** What was confirmed, to the letter, by id. */
export const sent = new Map<string, string>();
export const runs = new Set<string>();
/** Told to all when enough was pulled. */
export const soak = { isOver: false };
export const sleep = (ms: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, ms));
