// The page of docs/BENCHMARKS.md, from what was measured.
import { plansOf, renderHistory } from './history.mjs';
import { renderReplica } from './replica.mjs';
import { renderStalls } from './stalls.mjs';
import { renderVerdict } from './verdict.mjs';

export function render(results) {
  const { start, frames, stalls, reduce, find, library, history, replica } = results;
  const row = (cells) => `| ${cells.join(' | ')} |`;
  const lines = [
    '# Benchmarks',
    '',
    'Made by `./stennet bench`. Compare the ratios: each is from one run on one machine. Absolute numbers depend on the machine.',
    '',
  ];
  if (start) {
    lines.push(
      '## Until Today is usable',
      '',
      'Empty browser cache, CPU slowed 4x, 7 runs of each in turn, medians. The empty page is Expo Router and Paper with one button, built and served the same way.',
      '',
    );
    lines.push(
      row(['', 'Today', 'empty page', 'Today against empty']),
      row(['---', '---', '---', '---']),
    );
    lines.push(
      row([
        'all bytes on the wire (kB)',
        start.app.kB.toFixed(0),
        start.empty.kB.toFixed(0),
        `+${(start.app.kB - start.empty.kB).toFixed(0)} kB`,
      ]),
    );
    lines.push(
      row([
        'blocking time (ms over 50 ms tasks)',
        start.app.blockingMs.toFixed(0),
        start.empty.blockingMs.toFixed(0),
        `${(start.app.blockingMs / start.empty.blockingMs).toFixed(2)} ×`,
      ]),
      row([
        'the second visit without a network, until it is usable (ms)',
        start.app.againMs.toFixed(0),
        start.empty.againMs.toFixed(0),
        `${(start.app.againMs / start.empty.againMs).toFixed(2)} ×`,
      ]),
      '',
    );
  }
  if (stalls) lines.push(...renderStalls(stalls));
  if (frames) {
    lines.push(
      '## From the key to the next fastener',
      '',
      `Trusted key press to the first frame with the next task, CPU slowed 4x, ${frames.presses} presses of each. The event is on disk (strict durability) before the screen moves.`,
      '',
    );
    lines.push(row(['frames', 'median', 'p95', 'worst']), row(['---', '---', '---', '---']));
    for (const [name, f] of [
      ['Tighten', frames.app],
      ['Tighten, 40 fasteners, 8 stages, 2,000 events behind it', frames.long],
      ['a page that only changes a word', frames.empty],
    ])
      lines.push(row([name, f.median, f.p95, f.worst]));
    lines.push('');
  }
  if (results.drag) lines.push(...renderDrag(results.drag, row));
  if (results.verdict) lines.push(...renderVerdict(results.verdict));
  if (results.interaction) lines.push(...renderInteraction(results.interaction));
  if (results.confirm) lines.push(...renderConfirm(results.confirm));
  if (results.load) lines.push(...renderLoad(results.load));
  if (reduce) {
    lines.push(
      '## Reducing a run',
      '',
      `${reduce.events} events with pulls, undo and pauses; medians of 7 rounds in turn. The bare loop makes one small object per event.`,
      '',
    );
    lines.push(row(['', 'ms', 'against the bare loop']), row(['---', '---', '---']));
    for (const [name, ms] of [
      ['bare loop', reduce.bare],
      ['evolve, then next', reduce.evolve],
      ['admit and evolve, as a server does', reduce.admit],
    ])
      lines.push(row([name, ms.toFixed(1), `${(ms / reduce.bare).toFixed(1)} ×`]));
    lines.push(
      '',
      `The last thousand events against the second thousand: ${(reduce.late / reduce.early).toFixed(2)} ×. The cost of one event does not grow with the list.`,
      '',
    );
  }
  if (find) lines.push(...renderFind(find, row));
  if (library) lines.push(...renderLibrary(library, row));
  if (history) lines.push(...renderHistory(history, row));
  if (replica) lines.push(...renderReplica(replica, row));
  const plans = [
    ...(find ? ['Finding a sheet:', '', ...fenced(find.flatMap((f) => f.plan))] : []),
    ...(history ? ['History at a million pulls:', '', ...fenced(plansOf(history))] : []),
  ];
  if (plans.length > 0) lines.push('## Appendix: query plans', '', ...plans);
  return lines.join('\n');
}

const fenced = (plan) => ['```', ...plan, '```', ''];

function renderFind(find, row) {
  return [
    '## Finding a sheet online',
    '',
    `${find[0].queries} queries of the typist in core/src/find/typos.ts (two to four words in any order, one in three mistyped, one in four unfinished). Both statements, in turn under row-level security and bare (a superuser, the same text).`,
    '',
    row([
      'library',
      'in the first three',
      'median (ms)',
      'p95 (ms)',
      'bare p95 (ms)',
      'p95 against bare',
    ]),
    row(['---', '---', '---', '---', '---', '---']),
    ...find.map((f) =>
      row([
        `${f.shops} × ${f.sheets}`,
        `${(f.top3 * 100).toFixed(1)}%`,
        f.p50.toFixed(1),
        f.p95.toFixed(1),
        f.bareP95.toFixed(1),
        `${(f.p95 / f.bareP95).toFixed(2)} ×`,
      ]),
    ),
    '',
  ];
}

function renderLibrary({ sheets, mb, quiet, look, write, approve, typing }, row) {
  const phases = {
    'no import': quiet,
    'import preview': look,
    import: write,
    'approval of all': approve,
  };
  return [
    '## A library of 5,000 sheets',
    '',
    `${sheets} sheets, ${mb.toFixed(0)} MB of JSON, on one server process. How long another person's request waits in the meantime.`,
    '',
    row(['while', 'seconds', 'wait p95 (ms)', 'longest wait (ms)']),
    row(['---', '---', '---', '---']),
    ...Object.entries(phases).map(([name, p]) =>
      row([name, p.seconds.toFixed(1), p.p95.toFixed(1), p.worst.toFixed(0)]),
    ),
    '',
    `A device catches up with all of it in ${typing.caughtUpSeconds.toFixed(0)} s. Then offline, CPU slowed 4x, ${typing.found.keys} keys typed into Find, and into a field on an empty page: time from frame to frame.`,
    '',
    row(['', 'median (ms)', 'p95 (ms)', 'p99 (ms)', 'longest (ms)']),
    row(['---', '---', '---', '---', '---']),
    ...[
      ['Find, offline', typing.found],
      ['an empty page', typing.bare],
    ].map(([name, t]) =>
      row([name, t.median.toFixed(0), t.p95.toFixed(0), t.p99.toFixed(0), t.worst.toFixed(0)]),
    ),
    '',
  ];
}

const renderInteraction = ({ tableau, solving }) => [
  '## What each pull does to the others',
  '',
  '24 bolts, 200 joints, 4 passes, median of 5 rounds in turn. Solving the condensed system for each pull is the simplest way that is right.',
  '',
  '|  | ms | against the tableau |',
  '| --- | --- | --- |',
  `| pivot tableau, as on the bench | ${tableau.toFixed(0)} | 1.0 × |`,
  `| solved for each pull | ${solving.toFixed(0)} | ${(solving / tableau).toFixed(1)} × |`,
  '',
];

function renderDrag({ moves, app, empty }, row) {
  return [
    '## From the finger to the handle, in practice',
    '',
    `Each move of a drag to the first frame that shows the handle there, CPU slowed 4x, ${moves} moves of each. The joint answers beside the page.`,
    '',
    row(['frames', 'median', 'p95', 'worst']),
    row(['---', '---', '---', '---']),
    row(['the wrench', app.median, app.p95, app.worst]),
    row(['a page that only turns one box', empty.median, empty.p95, empty.worst]),
    '',
  ];
}

function renderConfirm(c) {
  const row = (cells) => `| ${cells.join(' | ')} |`;
  const against = (ms) => `${(ms / c.bare).toFixed(1)} ×`;
  return [
    '## Storing one confirmation',
    '',
    `The entries of whole runs (${c.entries} each), one request for each, beside one INSERT of the same bytes into a table of the same columns and indexes in a transaction of its own. Medians of ${c.rounds} rounds in turn, client, server and database on one machine.`,
    '',
    row(['', 'ms', 'against the bare INSERT']),
    row(['---', '---', '---']),
    row(['bare INSERT, no row-level security', c.bare.toFixed(2), '1 ×']),
    row(['any answer of the server: HTTP and `select 1`', c.answer.toFixed(2), against(c.answer)]),
    row([
      'a pull: session, admit, hash, seal, append, head, wrench use, audit trail, hint (median)',
      c.pull.toFixed(2),
      against(c.pull),
    ]),
    row([
      'an entry of a whole run, with its start, its finish and what follows (average)',
      c.request.toFixed(2),
      against(c.request),
    ]),
    '',
    `${c.phones} phones at once, each with ${c.waiting} entries waiting: ${c.phoneRate.toFixed(0)} entries a second; ${c.phones} connections with bare INSERTs: ${c.bareRate.toFixed(0)} (${Math.round((c.phoneRate / c.bareRate) * 100)}%).`,
    '',
  ];
}

function renderLoad({ shops, phones, limitMs, walPerEntry, steps }) {
  const row = (cells) => `| ${cells.join(' | ')} |`;
  const best = steps.filter((s) => Math.max(s.confirm, s.find, s.record) <= limitMs).at(-1);
  const ms = (value) => value.toFixed(0);
  return [
    '## Many phones',
    '',
    `${phones} phones in ${shops} shops at one server process; every tenth confirmation comes with a search and with a record as JSON. From the press to the acknowledgement, 95th percentile in ms; processor of one core in percent. Phones, server and database share this machine.`,
    '',
    row(['confirmations a second', 'confirmation', 'find', 'record', 'server', 'PostgreSQL']),
    row(['---', '---', '---', '---', '---', '---']),
    ...steps.map((s) =>
      row([
        s.rate,
        ms(s.confirm),
        ms(s.find),
        ms(s.record),
        `${ms(s.serverCpu)}%`,
        `${ms(s.databaseCpu)}%`,
      ]),
    ),
    '',
    best
      ? `Highest rate with all three under ${limitMs} ms: ${best.rate} a second. What gives first is the server’s core; a second server process takes the next step (docs/SCALING.md).`
      : `No rate kept all three under ${limitMs} ms.`,
    '',
    `An entry makes ${(walPerEntry / 1000).toFixed(1)} kB of write-ahead log, which a standby and an archive take too.`,
    '',
  ];
}
