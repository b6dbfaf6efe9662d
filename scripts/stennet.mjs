// The one door. Nothing here, nor what it imports before the gate below, may import an npm package: on a fresh machine there are none.
import { ensurePackages, Refusal } from './install.mjs';

const usage = `./stennet demo [--port N] [--fresh]   everything with demo data
./stennet start [--port N] [--host A] [--hosts NAME,NAME] [--tls-cert F --tls-key F | --behind-proxy] [--foreground]   a real shop, in the background
./stennet stop | status
./stennet backup FILE | restore FILE [--passphrase-file F]   everything of the shop, and its keys
./stennet test [--all]                every check; --all adds the long sweeps
./stennet verify FILE|RO|--all [WITNESS]   checks records and the journal, and names the first thing that does not fit
./stennet wrench [--port N] [--name S]   a simulated digital wrench; the demo has one already
./stennet soak [--short]                many devices, two servers, machines that fail; against a ledger
./stennet bench                       measurements, as ratios; writes docs/BENCHMARKS.md`;

const commands = {
  demo: async (args) => (await import('./demo.mjs')).demo(args),
  test: async (args) => (await import('./test.mjs')).test(args),
  start: async (args) => (await import('./shop.mjs')).start(args),
  stop: async () => (await import('./shop.mjs')).stop(),
  status: async () => (await import('./shop.mjs')).status(),
  backup: async (args) => (await import('./backup.mjs')).backup(args),
  restore: async (args) => (await import('./backup.mjs')).restore(args),
  soak: async (args) => (await import('./soak.mjs')).soak(args),
  verify: async (args) => (await import('./verify.mjs')).verify(args),
  wrench: async (args) => (await import('./wrench.mjs')).wrench(args),
  bench: async (args) => (await import('../bench/run.mjs')).bench(args),
};

const [name, ...args] = process.argv.slice(2);
const command = commands[name];
if (!command) {
  console.log(usage);
  process.exit(name === undefined || name === 'help' || name === '--help' ? 0 : 2);
}
async function run() {
  ensurePackages();
  await command(args);
}

run().catch((error) => {
  // Whoever runs a shop reads sentences; whoever mends this program asks for more.
  console.error(error instanceof Refusal || !process.env.STENNET_DEBUG ? error.message : error);
  process.exit(1);
});
