import { conformance } from './conformance';

// `./stennet wrench --check URL`: whether an adapter for a real wrench speaks the protocol.
const [url = ''] = process.argv.slice(2);
const found = await conformance(
  url.replace(/\/$/, ''),
  () => console.log('Pull once now, within a minute.'),
  60_000,
);
for (const { what, fault } of found) console.log(fault ? `✕ ${what}: ${fault}` : `● ${what}`);
const isGood = found.every((f) => f.fault === null);
console.log(isGood ? 'It speaks the protocol.' : 'It doesn’t speak the protocol yet.');
process.exit(isGood ? 0 : 1);
