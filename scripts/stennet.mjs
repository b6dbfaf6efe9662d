import { Refusal } from './install.mjs';

const usage = `./stennet demo [--port N] [--fresh]   everything with demo data
./stennet test [--all]                every check; --all adds the long sweeps
./stennet verify FILE|RO              checks records, and names the first thing that does not fit
./stennet bench                       measurements, as ratios; writes docs/BENCHMARKS.md`;

const commands = {
  demo: async (args) => (await import('./demo.mjs')).demo(args),
  test: async (args) => (await import('./test.mjs')).test(args),
  verify: async (args) => (await import('./verify.mjs')).verify(args),
  bench: async (args) => (await import('../bench/run.mjs')).bench(args),
};

const [name, ...args] = process.argv.slice(2);
const command = commands[name];
if (!command) {
  console.log(usage);
  process.exit(name === undefined || name === 'help' || name === '--help' ? 0 : 2);
}
command(args).catch((error) => {
  console.error(error instanceof Refusal ? error.message : error);
  process.exit(1);
});
