// The one door. Nothing here, nor what it imports before the gate below, may import an npm package:
// on a fresh machine there are none.
import { parseArgs } from 'node:util';
import { ensurePackages, Refusal } from './install.mjs';

const usage = `./stennet demo [--port N] [--fresh]   start with demo data
./stennet start [--port N] [--host A] [--hosts NAME,NAME] [--tls-cert F --tls-key F | --behind-proxy] [--foreground]   run a real shop in the background
./stennet stop | status
./stennet new-shop                     a code for one more shop on this server
./stennet backup FILE | restore FILE [--passphrase-file F]   the whole shop and its keys
./stennet archive FOLDER              keep every change of the shop in another place, from now on
./stennet rewind FOLDER [--to TIME]   put the shop back to a moment of that archive
./stennet put-away [--days N]         signed runs into record files (FILES_DIR or FILES_URL)
./stennet move-shop SHOP --from CELL --to CELL   a shop to another cluster while it works
./stennet test [--all]                run every check; --all adds the long sweeps
./stennet verify FILE|RO|--all [WITNESS]   verify records and the audit trail
./stennet wrench [--port N] [--name S]   a simulated digital wrench; the demo already has one
./stennet wrench --check URL          whether an adapter for a real wrench speaks the protocol
./stennet trace FILE|FOLDER… [--target N·m] [--to csv|json --in FOLDER]   judge recorded pulls
./stennet soak [--short]                many devices and two failing servers, checked against a ledger
./stennet cluster-check [--short]       a cluster on this machine, one fault after the other; writes docs/RELIABILITY.md
./stennet bench                       run the benchmarks; writes docs/BENCHMARKS.md
./stennet hooks                       check commit titles before each commit`;

const text = { type: 'string' };
const flag = { type: 'boolean' };
/** Each command with its options; one that it does not know is refused, not passed over. */
const commands = {
  demo: {
    options: { port: text, fresh: flag },
    run: async (o) => (await import('./demo.mjs')).demo(o),
  },
  start: {
    options: {
      port: text,
      host: text,
      hosts: text,
      'tls-cert': text,
      'tls-key': text,
      'behind-proxy': flag,
      foreground: flag,
    },
    run: async (o) => (await import('./shop.mjs')).start(o),
  },
  stop: { run: async () => (await import('./shop.mjs')).stop() },
  'new-shop': { run: async () => (await import('./newShop.mjs')).newShop() },
  status: { run: async () => (await import('./shop.mjs')).status() },
  backup: {
    options: { 'passphrase-file': text },
    names: 1,
    run: async (o, names) => (await import('./backup.mjs')).backup(names, o),
  },
  restore: {
    options: { 'passphrase-file': text, 'other-keys': flag },
    names: 1,
    run: async (o, names) => (await import('./backup.mjs')).restore(names, o),
  },
  archive: {
    names: 1,
    run: async (_o, names) => (await import('./archive.mjs')).archive(names),
  },
  rewind: {
    options: { to: text },
    names: 1,
    run: async (o, names) => (await import('./rewind.mjs')).rewind(names, o),
  },
  'put-away': {
    options: { days: text },
    run: async (o) => (await import('./putAway.mjs')).putAway(o),
  },
  'move-shop': {
    options: { from: text, to: text },
    names: 1,
    run: async (o, names) => (await import('./moveShop.mjs')).moveShop(names, o),
  },
  test: { options: { all: flag }, run: async (o) => (await import('./test.mjs')).test(o) },
  soak: { options: { short: flag }, run: async (o) => (await import('./soak.mjs')).soak(o) },
  'cluster-check': {
    options: { short: flag },
    run: async (o) => (await import('./soak.mjs')).clusterCheck(o),
  },
  verify: {
    options: { all: flag },
    names: 1,
    run: async (o, names) => (await import('./verify.mjs')).verify(names, o),
  },
  wrench: {
    options: { port: text, name: text, check: text },
    run: async (o) => (await import('./wrench.mjs')).wrench(o),
  },
  trace: {
    options: { target: text, to: text, in: text },
    names: 10_000,
    run: async (o, names) => (await import('./wrench.mjs')).trace(names, o),
  },
  hooks: { run: async () => (await import('./hooks.mjs')).hooks() },
  bench: { names: 1, run: async (_o, names) => (await import('../bench/run.mjs')).bench(names) },
};

const [name, ...args] = process.argv.slice(2);
const command = commands[name];
if (!command) {
  console.log(usage);
  process.exit(name === undefined || name === 'help' || name === '--help' ? 0 : 2);
}

function asked() {
  try {
    const { values, positionals } = parseArgs({
      args,
      options: command.options ?? {},
      allowPositionals: true,
    });
    if (positionals.length > (command.names ?? 0))
      throw new Error(`“${positionals.at(-1)}” is one thing too many.`);
    return { values, positionals };
  } catch (error) {
    throw new Refusal(`./stennet ${name}: ${error.message.split('. To specify')[0]}\n\n${usage}`);
  }
}

async function run() {
  const { values, positionals } = asked();
  ensurePackages();
  await command.run(values, positionals);
}

run().catch((error) => {
  // A shop reads sentences; a developer asks for the stack.
  console.error(error instanceof Refusal || !process.env.STENNET_DEBUG ? error.message : error);
  process.exit(1);
});
