import { createHmac } from 'node:crypto';
import fc from 'fast-check';
import type { RunEvent } from '../run';
import { demoSheets, Technician } from '../testing';
import { entryProof } from './entryProof';
import { canonicalJson } from './hashChain';

const [sheet] = demoSheets;
if (!sheet) throw new Error('no demo sheet');
const t = new Technician(sheet);
for (let i = 0; i < 12; i += 1) t.step();
const events: RunEvent[] = t.state.events.toArray();

test('an entry’s proof is the HMAC of its own session’s key, whichever session came before', () => {
  const key = fc.constantFrom('a'.repeat(43), 'b'.repeat(43), 'ß');
  fc.assert(
    fc.property(fc.array(fc.tuple(key, fc.constantFrom(...events))), (asked) => {
      for (const [by, event] of asked)
        expect(entryProof(by, event)).toBe(
          createHmac('sha256', by).update(canonicalJson(event)).digest('hex'),
        );
    }),
  );
});
