import * as fc from 'fast-check';
import { checkDraft } from '../../draft';
import { demoSheets } from '../../testing';
import type { Pick, Slip } from '../../testing/slipMaker';
import { SLIPS } from '../../testing/slips';

const COUNT = 200;
const SEED = 20261130;
const names = Object.keys(SLIPS);

/** The same slips each time: of the kinds in turn, each on a demo sheet that it can happen to. */
function slips(count: number, seed: number): Slip[] {
  const draws = fc.sample(fc.array(fc.nat(), { minLength: 40, maxLength: 40 }), {
    numRuns: count * 3,
    seed,
  });
  const made: Slip[] = [];
  for (const [i, draw] of draws.entries()) {
    let at = 0;
    const pick: Pick = (of) => of[(draw[at++] ?? 0) % Math.max(of.length, 1)];
    const name = names[i % names.length] ?? '';
    for (let tries = 0; tries < 20; tries += 1) {
      const sheet = pick(demoSheets);
      const slip = sheet && SLIPS[name]?.(sheet, pick);
      if (!slip) continue;
      made.push({ name, ...slip });
      break;
    }
    if (made.length === count) break;
  }
  return made;
}

/** Questions and errors only: a note is read by no one in a hurry. */
function isFound({ sheet, places, earlier }: Slip): boolean {
  const found = checkDraft(sheet, earlier ? [earlier] : []);
  return found.some(
    (f) => f.level !== 'note' && places.some((p) => f.place === p || f.place.startsWith(`${p}.`)),
  );
}

test('of two hundred slips of valid sheets at least 95 % are found, each where it stands', () => {
  const made = slips(COUNT, SEED);
  expect(made).toHaveLength(COUNT);
  const missed = made.filter((s) => !isFound(s)).map((s) => `${s.name}: ${s.sheet.id}`);
  expect(missed.slice(Math.floor(COUNT * 0.05))).toEqual([]);
});

test('every kind of slip can happen to a demo sheet', () => {
  const happened = new Set(slips(COUNT, SEED).map((s) => s.name));
  expect(names.filter((n) => !happened.has(n))).toEqual([]);
});

test('none of the demo sheets is asked about as it stands', () => {
  const asked = demoSheets.flatMap((sheet) =>
    checkDraft(
      sheet,
      demoSheets.filter((o) => o !== sheet && o.id !== sheet.id),
    )
      .filter((f) => f.level !== 'note')
      .map((f) => `${sheet.id}: ${f.message}`),
  );
  expect(asked).toEqual([]);
});
