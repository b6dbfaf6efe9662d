export interface Line {
  what: string;
  /** Name of the machine. */
  where: string;
  /** Entries acknowledged before it. */
  acknowledged: number;
  /** Until each phone had an answer to something it sent after the fault. */
  backS: number;
  /** By all phones, until then. */
  confirmed: number;
  /** Entries that waited on one phone at most. */
  queue: number;
  primary: string;
}

export interface Totals {
  phones: number;
  runs: number;
  confirmed: number;
  pulls: number;
  retries: number;
  longestWaitMs: number;
  verified: string;
  versions: string;
  machine: string;
}

export function report(lines: readonly Line[], t: Totals): string {
  const row = (l: Line): string =>
    `| ${l.what} | ${l.where} | ${l.acknowledged} | ${l.backS.toFixed(1)} s | ${l.confirmed} | ${l.queue} | ${l.primary} |`;
  return `# What the cluster withstands

Written by \`./stennet cluster-check\`. It sets up docs/CLUSTER.md from the files in deploy/cluster: three database machines (a, b, c) with
etcd, Patroni and PostgreSQL, and two (p, q) with a server, PgBouncer and HAProxy, each in a network namespace of its own on one machine
(${t.machine}). ${t.phones} phones confirm without waiting for anyone and send beside it, to either front. One fault after the other strikes.
A machine dies by having everything on it killed; one that is cut off runs on and reaches no one.

| fault | where | acknowledged before | writes back after | confirmed meanwhile | longest queue | primary |
|---|---|---|---|---|---|---|
${lines.map(row).join('\n')}

“Writes back” is when each phone has had an answer to something it sent after the fault. “Confirmed meanwhile” is what the technicians
went on confirming; “longest queue” is what waited on one phone at most.

At the end: ${t.confirmed} entries confirmed on ${t.phones} phones in ${t.runs} runs, ${t.pulls} of them pulls; all acknowledged, each there exactly once and to the
letter; 0 lost, 0 doubled. The phones sent again ${t.retries} times. A phone never kept its technician waiting: at most ${Math.round(t.longestWaitMs)} ms between two
confirmations beyond the hand’s own pace. A table made on the primary that was cut off was acknowledged to no one and is not there.

Seals, chains and the audit trail, by the shop’s key:

\`\`\`
${t.verified}
\`\`\`

Versions: ${t.versions}.
`;
}
