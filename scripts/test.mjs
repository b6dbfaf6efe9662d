// ./stennet test: every check; ends with one line `N passed, N failed`.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ensureChromium, ensureClusterPrograms, ensurePostgres, root } from './install.mjs';
import { NOT_TRIED } from './notTried.mjs';

let passed = 0;
let failed = 0;
/** What could not be tried on this machine. */
let skipped = 0;
/** What failed and why, told once more at the end. */
const failures = [];
const LONGEST_REASON = 1500;

const bin = (name) => path.join(root, 'node_modules/.bin', name);
const node = process.execPath;
/** The native compiler; the linter reads the sources through the one in JavaScript. */
const types = (project) => [node, ['node_modules/typescript-native/bin/tsc', '-p', project]];
const WEB = [
  ['web app', node, ['scripts/build-web.mjs']],
  ['first load', node, ['scripts/firstLoad.check.mjs']],
];
/** What needs the app and starts and kills servers of its own. */
const withServers = (all) => [
  ['a shop by its commands', node, ['scripts/shop.check.mjs']],
  ['folders that are broken', node, ['scripts/folder.check.mjs']],
  ['a full disk', node, ['scripts/fullDisk.check.mjs']],
  ['a streaming replica', node, ['scripts/replica.check.mjs']],
  ['soak, short', node, ['--import', 'tsx', 'scripts/soak/main.mts', ...(all ? [] : ['--short'])]],
  ...(all
    ? [
        ['back to a moment', node, ['scripts/archive.check.mjs']],
        [
          'a cluster and its faults',
          node,
          ['--import', 'tsx', 'scripts/machines/main.mts', '--short'],
        ],
      ]
    : []),
];

/** What only reads. */
const CHECKS = [
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  ['types: app', ...types('app')],
  // In one: the core is read once for all that has no browser.
  ['types: core, server, device', ...types('tsconfig.node.json')],
  ['types: e2e', ...types('e2e')],
  ['format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['the door needs no package', node, ['scripts/gate.check.mjs']],
  ['sizes', node, ['scripts/sizes.check.mjs']],
  ['the walk of a pull', node, ['scripts/walk.check.mjs']],
  ['commit titles', node, ['scripts/titles.check.mjs']],
  ['messages', node, ['--import', 'tsx', 'scripts/messages.check.mts']],
  ['reading grade', node, ['--import', 'tsx', 'scripts/reading.check.mts']],
  ['bill of materials', node, ['scripts/sbom.check.mjs']],
  ['layers', bin('depcruise'), ['core/src', 'server/src', 'app/src', 'device/src']],
  [
    'folders are a tree',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.folders.cjs', 'core/src', 'server/src'],
  ],
  ['generated files', node, ['scripts/generate-assets.mjs', '--check']],
  ['demo’s past', node, ['--import', 'tsx', 'scripts/generate-past.mts', '--check']],
  ['generated documents', node, ['--import', 'tsx', 'scripts/generate-docs.mjs', '--check']],
];

export async function test({ all = false }) {
  if (all) process.env.STENNET_ALL = '1';
  ensurePostgres();
  ensureChromium();
  if (all) ensureClusterPrograms();
  fs.mkdirSync(path.join(root, 'test-results'), { recursive: true });

  for (const signal of ['SIGINT', 'SIGTERM']) {
    process.once(signal, () => {
      atWork.forEach(endAll);
      process.exit(130);
    });
  }

  // Route types come first: the checks of the app read them.
  await check('typed routes', bin('expo'), ['customize', 'tsconfig.json'], path.join(root, 'app'));
  await check('server programs', node, ['scripts/build-server.mjs']);
  const inTurn = async (checks) => {
    for (const one of checks) await check(...one);
  };
  // Browsers and servers wait more than they work: what only computes runs beside them.
  await Promise.all([
    inTurn(WEB).then(() => Promise.all([endToEnd(), inTurn(withServers(all))])),
    inTurn(CHECKS).then(unitTests),
  ]);

  // `.ci/run` has tried the demo before anything was installed, and says here how it went.
  if (process.env.STENNET_FIRST_DEMO)
    await check('the demo in a fresh clone', node, [
      '-e',
      `process.exit(${process.env.STENNET_FIRST_DEMO})`,
    ]);
  for (const failure of failures) console.log(`\n✘ ${failure}`);
  console.log(`\n${skipped ? `${skipped} skipped, ` : ''}${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
}

const quietEnv = () => ({
  ...process.env,
  CI: '1',
  EXPO_NO_TELEMETRY: '1',
  EXPO_OFFLINE: '1',
  FORCE_COLOR: '0',
});

async function endToEnd() {
  const file = path.join(root, 'test-results/e2e.json');
  fs.rmSync(file, { force: true });
  countPlaywright(file, (await told('end to end', bin('playwright'), ['test'])) === 0);
}

async function unitTests() {
  const file = path.join(root, 'test-results/jest.json');
  const held = path.join(root, 'test-results/held.txt');
  for (const old of [file, held]) fs.rmSync(old, { force: true });
  const code = await told('Jest: core, server, device, app', bin('jest'), [
    '--ci',
    '--maxWorkers',
    '2',
    '--json',
    '--outputFile',
    file,
  ]);
  countJest(file, code === 0);
  if (fs.existsSync(held)) console.log(`attacked, and held:\n${fs.readFileSync(held, 'utf8')}`);
}

async function check(title, command, args, cwd = root) {
  const code = await told(title, command, args, cwd);
  if (code === 0) passed += 1;
  else if (code === NOT_TRIED) skipped += 1;
  else {
    failed += 1;
    failures.push(title);
  }
}

function countFailures(tests) {
  failed += tests.length;
  for (const { title, reason = '' } of tests)
    failures.push(`${title}\n${stripVTControlCharacters(reason).slice(0, LONGEST_REASON)}`);
}

/**
 * What hangs is ended, with all that it started: a failure that is told, instead of a run without
 * an end.
 */
const longestMin = () => (process.env.STENNET_ALL ? 120 : 25);
const atWork = new Set();
const endAll = (child) => {
  try {
    process.kill(-child.pid, 'SIGKILL');
  } catch {
    // all of it has ended
  }
};

/**
 * Something beside others: what it says is shown when it has ended. @returns its exit code
 */
function told(title, command, args, cwd = root) {
  return new Promise((resolve) => {
    const said = [];
    const from = Date.now();
    // A group of its own, so that it can be ended as a whole.
    const child = spawn(command, args, {
      cwd,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: quietEnv(),
      detached: true,
    });
    atWork.add(child);
    const tooLong = setTimeout(() => {
      said.push(Buffer.from(`\nit did not end in ${longestMin()} minutes\n`));
      endAll(child);
    }, longestMin() * 60_000);
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (piece) => said.push(piece));
    const end = (code) => {
      if (!atWork.delete(child)) return;
      clearTimeout(tooLong);
      endAll(child);
      console.log(
        `\n── ${title}\n${Buffer.concat(said).toString('utf8')}${{ 0: 'ok', [NOT_TRIED]: 'SKIPPED' }[code] ?? 'FAILED'}, ${Math.round((Date.now() - from) / 1000)} s`,
      );
      resolve(code);
    };
    child.on('error', (error) => {
      said.push(Buffer.from(`${error.message}\n`));
      end(1);
    });
    // Whatever it leaves behind may hold its output open.
    child.on('exit', (code) => setTimeout(() => end(code), 5000).unref());
    child.on('close', end);
  });
}

/** A runner that died without a report, or that ran nothing, is a failure of its own. */
function countJest(file, ok) {
  const report = fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : null;
  passed += report?.numPassedTests ?? 0;
  skipped += report?.numPendingTests ?? 0;
  const tests = (report?.testResults ?? []).flatMap((file) =>
    // A file that could not be run has no tests, and says why itself.
    file.assertionResults.length === 0 && file.status === 'failed'
      ? [{ title: file.name, reason: file.message }]
      : file.assertionResults
          .filter((t) => t.status === 'failed')
          .map((t) => ({ title: t.fullName, reason: t.failureMessages.join('\n') })),
  );
  countFailures(tests);
  if (!report || report.numPassedTests === 0 || (!ok && tests.length === 0))
    countFailures([{ title: 'Jest' }]);
}

function countPlaywright(file, ok) {
  const report = fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : null;
  passed += report?.stats.expected ?? 0;
  skipped += report?.stats.skipped ?? 0;
  const specs = (suites) => suites.flatMap((s) => [...s.specs, ...specs(s.suites ?? [])]);
  const tests = specs(report?.suites ?? [])
    .filter((s) => !s.ok)
    .map((s) => ({
      title: s.title,
      reason: s.tests.flatMap((t) => t.results.flatMap((r) => r.error?.message ?? [])).join('\n'),
    }));
  countFailures(tests);
  if (!report || report.stats.expected === 0 || (!ok && tests.length === 0))
    countFailures([{ title: 'end to end' }]);
}
