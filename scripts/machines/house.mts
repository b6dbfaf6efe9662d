// The set-up of docs/CLUSTER.md, from the very files in deploy/cluster: three database machines with
// etcd, Patroni and PostgreSQL, two with a server, PgBouncer and HAProxy.
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { rolesSql, SCHEMA_SQL } from '../cluster.mjs';
import { root } from '../install.mjs';
import { keyFolder, own, owner, postgresProgram } from '../postgres.mjs';
import { soon } from '../soon.mjs';
import { Machine, NETWORK } from './machine.mts';

const word = (): string => randomBytes(12).toString('hex');
const PASSWORDS = {
  superuser: word(),
  replication: word(),
  ownerPassword: word(),
  appPassword: word(),
};
const POSTGRES = 'stennet';

export interface Member {
  name: string;
  role: string;
  state: string;
}

type Role = 'leader' | 'sync_standby';

export class House {
  readonly databases: Machine[];
  readonly fronts: Machine[];
  private readonly keys: string;

  constructor(home: string) {
    this.keys = keyFolder(home);
    this.databases = ['a', 'b', 'c'].map((name, i) => new Machine(name, 11 + i, home));
    this.fronts = ['p', 'q'].map((name, i) => new Machine(name, 21 + i, home));
    for (const { folder } of this.all()) own(folder, 0o755);
  }

  readonly all = (): Machine[] => [...this.databases, ...this.fronts];
  readonly urlOf = (front: Machine): string => `http://${front.address}:8080`;

  /** A file of deploy/cluster with this machine's values, where its program reads it. */
  private file(machine: Machine, name: string): string {
    const text = fs
      .readFileSync(path.join(root, 'deploy/cluster', name), 'utf8')
      .replace(/\{\{(\w+)\}\}/g, (_all, key: string) => this.valueOf(machine, key));
    const to = path.join(machine.folder, name);
    fs.writeFileSync(to, text);
    const { uid, gid } = owner();
    if (uid !== undefined) fs.chownSync(to, uid, gid);
    return to;
  }

  private valueOf(machine: Machine, key: string): string {
    const servers = (all: readonly Machine[], port: number, more: string): string =>
      all.map((m) => `  server ${m.name} ${m.address}:${port} check${more}`).join('\n');
    const values: Record<string, string> = {
      NAME: machine.name,
      ADDRESS: machine.address,
      NETWORK,
      DATA: machine.folder,
      BIN: path.dirname(postgresProgram('initdb') ?? ''),
      MEMBERS: this.databases.map((m) => `${m.name}=http://${m.address}:2380`).join(','),
      ETCD: this.databases.map((m) => `${m.address}:2379`).join(','),
      SUPERUSER_PASSWORD: PASSWORDS.superuser,
      REPLICATION_PASSWORD: PASSWORDS.replication,
      APP_PASSWORD: PASSWORDS.appPassword,
      OWNER_PASSWORD: PASSWORDS.ownerPassword,
      SERVERS: servers(this.fronts, 4000, ''),
      DATABASES: servers(this.databases, 5432, ' port 8008'),
      PROXIES: this.fronts.map((m) => m.address).join(','),
      NAMES: this.fronts.map((m) => m.address).join(','),
      KEYS: this.keys,
    };
    const value = values[key];
    if (value === undefined) throw new Error(`deploy/cluster asks for an unknown ${key}`);
    return value;
  }

  startDatabase(machine: Machine): void {
    this.startEtcd(machine);
    const file = this.file(machine, 'patroni.yml');
    machine.start('patroni', ['/usr/bin/patroni', file], { user: 'postgres' });
  }

  startEtcd(machine: Machine): void {
    const file = this.file(machine, 'etcd.yml');
    machine.start('etcd', ['etcd', '--config-file', file], { user: 'postgres' });
  }

  startHaproxy(machine: Machine): void {
    machine.start('haproxy', ['/usr/sbin/haproxy', '-db', '-f', this.file(machine, 'haproxy.cfg')]);
  }

  startPooler(machine: Machine): void {
    fs.writeFileSync(
      path.join(machine.folder, 'userlist.txt'),
      `"stennet_app" "${PASSWORDS.appPassword}"\n`,
    );
    const file = this.file(machine, 'pgbouncer.ini');
    machine.start('pgbouncer', ['/usr/sbin/pgbouncer', file], { user: 'postgres' });
  }

  private serverEnv(machine: Machine): NodeJS.ProcessEnv {
    const lines = fs.readFileSync(this.file(machine, 'server.env'), 'utf8').split('\n');
    return Object.fromEntries(lines.flatMap((l) => (/^\w+=/.test(l) ? [keyAndValue(l)] : [])));
  }

  startServer(machine: Machine): void {
    // Where the server serves, the owner of the tables is no one.
    const env = { ...this.serverEnv(machine), OWNER_DATABASE_URL: '', LOG_LEVEL: 'warn' };
    const main = path.join(root, 'server/dist/main.js');
    machine.start('server', [process.execPath, main], { env });
  }

  /** The cluster as each of the databases sees it; null where one does not answer. */
  private views(): Promise<(Member[] | null)[]> {
    return Promise.all(
      this.databases.map(async ({ address }) => {
        const reply = await fetch(`http://${address}:8008/cluster`, {
          signal: AbortSignal.timeout(2000),
        }).catch(() => null);
        return reply?.ok ? ((await reply.json()) as { members: Member[] }).members : null;
      }),
    );
  }

  /** Who is in this role, once all that answer agree. */
  async in(role: Role): Promise<Machine> {
    let found: Machine | undefined;
    await soon(`a ${role} that all agree on`, async () => {
      found = await this.agreed(role);
      return found !== undefined;
    });
    return found as Machine;
  }

  private async agreed(role: Role): Promise<Machine | undefined> {
    const views = (await this.views()).filter((view) => view !== null);
    const names = new Set(views.map((view) => view.find((m) => m.role === role)?.name));
    const [name] = names;
    return names.size === 1 ? this.databases.find((m) => m.name === name) : undefined;
  }

  async etcdLeader(): Promise<Machine> {
    for (const machine of this.databases) {
      const reply = await fetch(`http://${machine.address}:2379/metrics`, {
        signal: AbortSignal.timeout(2000),
      }).catch(() => null);
      if (/^etcd_server_is_leader 1$/m.test((await reply?.text()) ?? '')) return machine;
    }
    throw new Error('etcd has no leader');
  }

  /** Three databases of which one is a synchronous standby, both servers with their database. */
  async whole(): Promise<void> {
    await soon('three databases run, one of them a synchronous standby', async () => {
      const views = await this.views();
      const leader = await this.agreed('leader');
      const standby = await this.agreed('sync_standby');
      return (
        leader !== undefined &&
        standby !== undefined &&
        leader !== standby &&
        views.every(
          (view) =>
            view?.length === 3 && view.every((m) => ['running', 'streaming'].includes(m.state)),
        )
      );
    });
    await soon('etcd has a leader', async () => Boolean(await this.etcdLeader()));
    const isUp = async (url: string): Promise<boolean> =>
      (await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(2000) })).ok;
    for (const front of this.fronts)
      for (const url of [this.urlOf(front), `http://${front.address}:4000`])
        await soon(`${url} has its database`, () => isUp(url));
  }

  private superuser(database: string, text: string): Promise<string> {
    return (this.fronts[0] as Machine).run(
      [
        'psql',
        '-X',
        '-q',
        '-At',
        '-v',
        'ON_ERROR_STOP=1',
        '-h',
        '127.0.0.1',
        '-p',
        '5000',
        '-U',
        'postgres',
        '-d',
        database,
        '-f',
        '-',
      ],
      { PGPASSWORD: PASSWORDS.superuser, PGCONNECT_TIMEOUT: '5' },
      text,
    );
  }

  /** On a machine itself, past every proxy; ended after so many seconds. */
  sqlOn(machine: Machine, text: string, longestS: number): Promise<string> {
    const to = ['-h', machine.address, '-p', '5432', '-U', 'postgres', '-d', POSTGRES];
    return machine.run(
      ['timeout', String(longestS), 'psql', '-X', '-q', '-At', ...to, '-c', text],
      {
        PGPASSWORD: PASSWORDS.superuser,
        PGCONNECT_TIMEOUT: '3',
      },
    );
  }

  async isStandby(machine: Machine): Promise<boolean> {
    return (await this.sqlOn(machine, 'select pg_is_in_recovery()', 5)).trim() === 't';
  }

  /** What `pg` reads the ledger's other side with: the primary, as the superuser. */
  async adminUrl(): Promise<string> {
    const { address } = await this.in('leader');
    return `postgres://postgres:${PASSWORDS.superuser}@${address}:5432/${POSTGRES}`;
  }

  async start(): Promise<void> {
    for (const machine of this.databases) this.startDatabase(machine);
    for (const machine of this.fronts) {
      this.startHaproxy(machine);
      this.startPooler(machine);
    }
    await soon('the first database takes writes', () =>
      this.superuser('postgres', 'select pg_current_wal_lsn()'),
    );
    await this.superuser('postgres', rolesSql(PASSWORDS));
    await this.superuser('postgres', `create database ${POSTGRES} owner stennet_owner`);
    await this.superuser(POSTGRES, SCHEMA_SQL);
    const [first] = this.fronts as [Machine];
    await first.run(
      [process.execPath, 'server/dist/prepareDatabase.js', 'server/migrations', 'demo'],
      this.serverEnv(first),
    );
    for (const machine of this.fronts) this.startServer(machine);
    await this.whole();
  }

  /** Every record and the audit trail, by the keys. */
  async verify(): Promise<string> {
    const [first] = this.fronts as [Machine];
    const verify = [process.execPath, 'server/dist/verify.js', '--all'];
    return (await first.run(verify, this.serverEnv(first))).trim();
  }

  remove(): void {
    for (const machine of this.all()) machine.remove();
  }
}

const keyAndValue = (line: string): [string, string] => {
  const at = line.indexOf('=');
  return [line.slice(0, at), line.slice(at + 1)];
};
