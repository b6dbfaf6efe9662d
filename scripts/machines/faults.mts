import { execFileSync } from 'node:child_process';
import { soon } from '../soon.mjs';
import type { House } from './house.mts';
import type { Machine } from './machine.mts';

/** Something that goes wrong, and what its keeper does afterwards. */
export interface Fault {
  what: string;
  /** @returns where it happened, and what mends it */
  strike: (house: House) => Promise<{ where: Machine; mend: () => Promise<void> | void }>;
}

const machineDies = (role: 'leader' | 'sync_standby') => async (house: House) => {
  const where = await house.in(role);
  where.kill();
  return { where, mend: () => house.startDatabase(where) };
};

export const FAULTS: readonly Fault[] = [
  { what: 'The primary’s machine dies', strike: machineDies('leader') },
  { what: 'The synchronous standby’s machine dies', strike: machineDies('sync_standby') },
  {
    what: 'etcd’s leader dies',
    strike: async (house) => {
      const where = await house.etcdLeader();
      where.killOne('etcd');
      return { where, mend: () => house.startEtcd(where) };
    },
  },
  {
    what: 'HAProxy dies',
    strike: async (house) => {
      const [where] = house.fronts as [Machine];
      where.killOne('haproxy');
      return { where, mend: () => house.startHaproxy(where) };
    },
  },
  {
    what: 'A server dies',
    strike: async (house) => {
      const where = house.fronts[1] as Machine;
      where.killOne('server');
      return { where, mend: () => house.startServer(where) };
    },
  },
  {
    what: 'PgBouncer dies',
    strike: async (house) => {
      const [where] = house.fronts as [Machine];
      where.killOne('pgbouncer');
      return { where, mend: () => house.startPooler(where) };
    },
  },
  {
    what: 'The primary is cut off, and lives',
    strike: async (house) => {
      const where = await house.in('leader');
      where.cutOff();
      // It still believes that it leads; what it is told there it must never acknowledge.
      await assertSilent(where, house);
      return {
        where,
        mend: async () => {
          await soon('the one that was cut off leads no more', () => house.isStandby(where));
          where.join();
        },
      };
    },
  },
];

/** What someone writes on a machine that is cut off is acknowledged to no one. */
async function assertSilent(where: Machine, house: House): Promise<void> {
  const acknowledged = await house.sqlOn(where, 'create table only_here ()', 3).then(
    () => true,
    () => false,
  );
  if (acknowledged) throw new Error('a primary that was cut off acknowledged a write');
}

export const versions = (): string =>
  ['postgresql', 'patroni', 'etcd-server', 'haproxy', 'pgbouncer']
    .map((name) => {
      const version = execFileSync('dpkg-query', ['-W', '-f', '${Version}', name], {
        encoding: 'utf8',
      });
      return `${name} ${version}`;
    })
    .join(', ');
