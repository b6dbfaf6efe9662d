import type { FlangeSection, Mesh } from './mesh';

/** Numbers of a square matrix, row by row. */
export interface Square {
  size: number;
  at: Float64Array;
}

/**
 * How far the flange gives at each bolt under 1 N at each other, mm/N: Euler–Bernoulli beams with
 * torsion on a Winkler foundation, freedoms (w, slope along x, slope along y) at each node,
 * condensed to the bolts. The foundation alone holds it, and it holds both ways: where the flange
 * lifts off, it is too stiff here. Source: beam theory; consistent matrices of cubic beams.
 * @throws RangeError where a section has no stiffness
 */
export function flexibilityAtBolts(mesh: Mesh): Square {
  const size = mesh.nodes.length * 3;
  const stiffness = assemble(mesh, size);
  factor(stiffness);
  const bolts = mesh.boltNodes.length;
  const flexibility: Square = { size: bolts, at: new Float64Array(bolts * bolts) };
  for (const [j, node] of mesh.boltNodes.entries()) {
    const moved = new Float64Array(size);
    moved[node * 3] = 1;
    solve(stiffness, moved);
    for (const [i, other] of mesh.boltNodes.entries())
      flexibility.at[i * bolts + j] = moved[other * 3] ?? 0;
  }
  return symmetric(flexibility);
}

function symmetric({ size, at }: Square): Square {
  const even = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j < size; j += 1)
      even[i * size + j] = ((at[i * size + j] ?? 0) + (at[j * size + i] ?? 0)) / 2;
  return { size, at: even };
}

function assemble({ nodes, pieces }: Mesh, size: number): Square {
  const at = new Float64Array(size * size);
  for (const { from, to, section } of pieces) {
    const [a, b] = [nodes[from], nodes[to]];
    if (!a || !b) continue;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const [ex, ey] = [(b.x - a.x) / length, (b.y - a.y) / length];
    const own = pieceStiffness(length, section);
    const places = [3 * from, 3 * from + 1, 3 * from + 2, 3 * to, 3 * to + 1, 3 * to + 2];
    // Row by row R' K R, with R the turn into the piece's own axes at both ends.
    const turn = (k: number): readonly [place: number, by: number][] => {
      const base = k < 3 ? 0 : 3;
      return k % 3 === 0
        ? [[base, 1]]
        : k % 3 === 1
          ? [
              [base + 1, ex],
              [base + 2, ey],
            ]
          : [
              [base + 1, -ey],
              [base + 2, ex],
            ];
    };
    for (let r = 0; r < 6; r += 1)
      for (let c = 0; c < 6; c += 1) {
        const value = own[r * 6 + c] ?? 0;
        if (value === 0) continue;
        for (const [i, fi] of turn(r))
          for (const [j, fj] of turn(c)) {
            const place = (places[i] ?? 0) * size + (places[j] ?? 0);
            at[place] = (at[place] ?? 0) + fi * value * fj;
          }
      }
  }
  return { size, at };
}

/** Order (w, slope, twist) at the first end, then at the second. */
function pieceStiffness(l: number, { ei, gj, foundation: k, sealMm }: FlangeSection): Float64Array {
  const at = new Float64Array(36);
  const add = (r: number, c: number, value: number): void => {
    at[r * 6 + c] = (at[r * 6 + c] ?? 0) + value;
  };
  const bending = [
    [12, 6 * l, -12, 6 * l],
    [6 * l, 4 * l * l, -6 * l, 2 * l * l],
    [-12, -6 * l, 12, -6 * l],
    [6 * l, 2 * l * l, -6 * l, 4 * l * l],
  ];
  const ground = [
    [156, 22 * l, 54, -13 * l],
    [22 * l, 4 * l * l, 13 * l, -3 * l * l],
    [54, 13 * l, 156, -22 * l],
    [-13 * l, -3 * l * l, -22 * l, 4 * l * l],
  ];
  const bent = [0, 1, 3, 4];
  for (const [r, rows] of bent.entries())
    for (const [c, columns] of bent.entries())
      add(
        rows,
        columns,
        (ei / l ** 3) * (bending[r]?.[c] ?? 0) + ((k * l) / 420) * (ground[r]?.[c] ?? 0),
      );
  const twist = (k * sealMm ** 2) / 12;
  for (const [r, rows] of [2, 5].entries())
    for (const [c, columns] of [2, 5].entries())
      add(rows, columns, (gj / l) * (r === c ? 1 : -1) + ((twist * l) / 6) * (r === c ? 2 : 1));
  return at;
}

/** Cholesky in place: the lower triangle becomes the factor. */
function factor({ size, at }: Square): void {
  for (let j = 0; j < size; j += 1) {
    const row = j * size;
    let diagonal = at[row + j] ?? 0;
    for (let k = 0; k < j; k += 1) diagonal -= (at[row + k] ?? 0) ** 2;
    if (!(diagonal > 0)) throw new RangeError('a flange without stiffness');
    const root = Math.sqrt(diagonal);
    at[row + j] = root;
    for (let i = j + 1; i < size; i += 1) {
      const other = i * size;
      let sum = at[other + j] ?? 0;
      for (let k = 0; k < j; k += 1) sum -= (at[other + k] ?? 0) * (at[row + k] ?? 0);
      at[other + j] = sum / root;
    }
  }
}

function solve({ size, at }: Square, x: Float64Array): void {
  for (let i = 0; i < size; i += 1) {
    let sum = x[i] ?? 0;
    for (let k = 0; k < i; k += 1) sum -= (at[i * size + k] ?? 0) * (x[k] ?? 0);
    x[i] = sum / (at[i * size + i] ?? 1);
  }
  for (let i = size - 1; i >= 0; i -= 1) {
    let sum = x[i] ?? 0;
    for (let k = i + 1; k < size; k += 1) sum -= (at[k * size + i] ?? 0) * (x[k] ?? 0);
    x[i] = sum / (at[i * size + i] ?? 1);
  }
}
