import fs from 'node:fs';
import path from 'node:path';
import { seeded } from '../core/src/find';
import { readSheet, type Sheet } from '../core/src/procedure';

const PARTS = [
  'al',
  'bor',
  'cen',
  'dra',
  'el',
  'far',
  'gan',
  'hol',
  'ister',
  'jor',
  'kel',
  'lun',
  'mor',
  'nav',
  'or',
  'pel',
  'quin',
  'ros',
  'sel',
  'tar',
  'ul',
  'ver',
  'wen',
  'yor',
  'zel',
];
const JOINTS: readonly [string, string][] = [
  ['cylinder-head', 'Cylinder head'],
  ['flywheel', 'Flywheel'],
  ['clutch', 'Pressure plate'],
  ['exhaust-manifold', 'Exhaust manifold'],
  ['intake-manifold', 'Intake manifold'],
  ['damper', 'Crank damper'],
  ['rod-cap', 'Rod caps'],
  ['bell-housing', 'Bell housing'],
];

/**
 * An invented library of any size, the same each time: forty makers, each with models, each model
 * with engines, each engine with eight joints. Codes and names are made up from syllables and
 * digits.
 */
export function* manySheets(count: number, seed: number): Generator<Sheet> {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const word = (n: number): string => {
    const text = Array.from({ length: n }, () => pick(PARTS)).join('');
    return text.charAt(0).toUpperCase() + text.slice(1);
  };
  const makers = Array.from({ length: 40 }, () => ({
    name: word(2),
    models: Array.from({ length: 60 }, () => word(2)),
  }));
  const letters = 'ABCDEFGHJKLMNPRSTUVWXYZ';
  const folder = path.resolve('demo/sheets');
  const template = fs
    .readdirSync(folder)
    .map((file) => readSheet(JSON.parse(fs.readFileSync(path.join(folder, file), 'utf8'))))
    .filter((s) => s.status === 'approved');
  let made = 0;
  while (made < count) {
    const maker = pick(makers);
    const model = pick(maker.models);
    const engine = `${pick([...letters])}${pick([...letters])}${pick([...letters])}${100 + Math.floor(random() * 900)}`;
    for (const [kind, title] of JOINTS) {
      if (made >= count) return;
      const base = template[made % template.length] as Sheet;
      yield {
        ...base,
        id: `s${made}`,
        revision: 'A',
        kind,
        title: `${title}, ${model} ${engine}`,
        applies: { ...base.applies, maker: maker.name, model, engine },
        tellApart: [],
        conflicts: [],
        requires: [],
      };
      made += 1;
    }
  }
}
