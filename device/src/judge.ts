import fs from 'node:fs';
import path from 'node:path';
import { actText, lookText } from '@stennet/core/record';
import { lookAtPulls, type Trace } from '@stennet/core/trace';
import { readTrace, traceTable, TraceUnread } from './traceFile';

// `./stennet trace FILE…`: judges traces beside each other, as pulls of one stage. node judge.mjs
// [--target N·m] [--to csv|json FOLDER] FILE or FOLDER…
const args = process.argv.slice(2);
const option = (name: string): string | undefined => {
  const at = args.indexOf(name);
  return at < 0 ? undefined : args.splice(at, 2)[1];
};
const target = option('--target');
const to = option('--to');
const folder = option('--in');

const files = args.flatMap((name) =>
  fs.statSync(name).isDirectory()
    ? fs
        .readdirSync(name)
        .filter((f) => /\.(csv|json)$/i.test(f))
        .sort()
        .map((f) => path.join(name, f))
    : [name],
);
const read: { name: string; trace: Trace }[] = [];
let isUnread = false;
for (const file of files) {
  const name = path.basename(file);
  try {
    read.push({ name, trace: readTrace(fs.readFileSync(file, 'utf8'), name) });
  } catch (error) {
    if (!(error instanceof TraceUnread)) throw error;
    isUnread = true;
    console.error(`${name}: ${error.message}`);
  }
}

let isOdd = false;
const pulls = read.map(({ name, trace }) => ({
  id: name,
  trace,
  targetNm: target === undefined ? Math.max(...trace.torqueNm) : Number(target),
}));
for (const { id, look, findings } of lookAtPulls(pulls)) {
  const odd = look !== null && look.is !== 'ok';
  isOdd ||= odd;
  const said = odd ? `${lookText(look)} ${actText(look.is)}` : lookText(look);
  console.log(`${odd ? '▲' : ' '} ${id}: up to ${findings.maxTorqueNm.toFixed(1)} N·m. ${said}`);
}
if (to && folder) {
  fs.mkdirSync(folder, { recursive: true });
  for (const { name, trace } of read) {
    const file = path.join(folder, `${path.parse(name).name}.${to}`);
    fs.writeFileSync(file, to === 'csv' ? traceTable(trace) : `${JSON.stringify(trace)}\n`);
  }
}
process.exitCode = isUnread ? 2 : isOdd ? 1 : 0;
