/** A point of the flange, mm. */
export interface Node {
  x: number;
  y: number;
}

/** What a piece of flange is made of. */
export interface FlangeSection {
  /** Bending stiffness, N·mm². */
  ei: number;
  /** Torsional stiffness, N·mm². */
  gj: number;
  /** How hard gasket and face push back, N/mm for each mm of length. */
  foundation: number;
  /** Width of the sealing face, mm. */
  sealMm: number;
}

/** A straight piece of flange between two nodes. */
export interface Piece {
  from: number;
  to: number;
  section: FlangeSection;
}

/** The flange as a grillage; which node each bolt is at, in the order of the bolts. */
export interface Mesh {
  nodes: Node[];
  pieces: Piece[];
  boltNodes: number[];
}

/** Bolts in one line with free ends. */
export interface RowLayout {
  layout: 'row';
  bolts: number;
  spacingMm: number;
  overhangMm: number;
  parts: number;
  section: FlangeSection;
}
/** Bolts on a circle, the flange closed. */
export interface RingLayout {
  layout: 'ring';
  bolts: number;
  circleMm: number;
  parts: number;
  section: FlangeSection;
}
/** Two lines joined by a beam at each station: first line from left to right, then the second. */
export interface TwoRowLayout extends Omit<RowLayout, 'layout'> {
  layout: 'twoRow';
  rowSpacingMm: number;
  cross: { parts: number; section: FlangeSection };
}
/** Bolts where they are; the flange runs between neighbors. */
export interface PointsLayout {
  layout: 'points';
  points: readonly Node[];
  parts: number;
  section: FlangeSection;
}
export type Layout = RowLayout | RingLayout | TwoRowLayout | PointsLayout;

/** The flange of a layout, cut into pieces. */
export function meshOf(layout: Layout): Mesh {
  switch (layout.layout) {
    case 'row': {
      const mesh: Mesh = { nodes: [], pieces: [], boltNodes: [] };
      mesh.boltNodes = addLine(mesh, layout, layout.bolts, 0);
      return mesh;
    }
    case 'ring':
      return ringMesh(layout);
    case 'twoRow':
      return twoRowMesh(layout);
    case 'points':
      return pointsMesh(layout);
  }
}

/** A free beam along x through its bolts. @returns the nodes of the bolts */
function addLine(
  mesh: Mesh,
  { spacingMm, overhangMm, parts, section }: Omit<RowLayout, 'layout' | 'bolts'>,
  bolts: number,
  y: number,
): number[] {
  const first = mesh.nodes.length;
  const stations = Array.from({ length: bolts }, (_, i) => i * spacingMm);
  const ends = [-overhangMm, ...stations, (bolts - 1) * spacingMm + overhangMm];
  for (let s = 0; s + 1 < ends.length; s += 1) {
    const [a = 0, b = 0] = [ends[s], ends[s + 1]];
    for (let m = 0; m < parts; m += 1) mesh.nodes.push({ x: a + ((b - a) * m) / parts, y });
  }
  mesh.nodes.push({ x: ends.at(-1) ?? 0, y });
  for (let n = first; n + 1 < mesh.nodes.length; n += 1)
    mesh.pieces.push({ from: n, to: n + 1, section });
  return stations.map((_, i) => first + parts * (i + 1));
}

function ringMesh({ bolts, circleMm, parts, section }: RingLayout): Mesh {
  const count = bolts * parts;
  const angle = (n: number): number => (2 * Math.PI * n) / count;
  return {
    nodes: Array.from({ length: count }, (_, n) => ({
      x: (circleMm / 2) * Math.cos(angle(n)),
      y: (circleMm / 2) * Math.sin(angle(n)),
    })),
    pieces: Array.from({ length: count }, (_, n) => ({ from: n, to: (n + 1) % count, section })),
    boltNodes: Array.from({ length: bolts }, (_, i) => i * parts),
  };
}

function twoRowMesh(layout: TwoRowLayout): Mesh {
  const mesh: Mesh = { nodes: [], pieces: [], boltNodes: [] };
  const half = Math.floor(layout.bolts / 2);
  const lower = addLine(mesh, layout, half, -layout.rowSpacingMm / 2);
  const upper = addLine(mesh, layout, half, layout.rowSpacingMm / 2);
  for (const [i, from] of lower.entries())
    addBeam(mesh, from, upper[i] ?? from, layout.cross.parts, layout.cross.section);
  return { ...mesh, boltNodes: [...lower, ...upper] };
}

/** A beam between two nodes that are there, cut into pieces. */
function addBeam(
  mesh: Mesh,
  from: number,
  to: number,
  parts: number,
  section: FlangeSection,
): void {
  const [a, b] = [mesh.nodes[from], mesh.nodes[to]];
  if (!a || !b) return;
  let last = from;
  for (let m = 1; m < parts; m += 1) {
    mesh.nodes.push({ x: a.x + ((b.x - a.x) * m) / parts, y: a.y + ((b.y - a.y) * m) / parts });
    mesh.pieces.push({ from: last, to: mesh.nodes.length - 1, section });
    last = mesh.nodes.length - 1;
  }
  mesh.pieces.push({ from: last, to, section });
}

function pointsMesh({ points, parts, section }: PointsLayout): Mesh {
  const mesh: Mesh = {
    nodes: points.map(({ x, y }) => ({ x, y })),
    pieces: [],
    boltNodes: points.map((_, i) => i),
  };
  for (const [a, b] of neighborsOf(points)) addBeam(mesh, a, b, parts, section);
  return mesh;
}

/**
 * Which bolts the flange joins: two are neighbors where no third lies in or on the circle over them
 * (Gabriel graph). It always hangs together, and of a grid it leaves out the diagonals.
 */
export function neighborsOf(points: readonly Node[]): [number, number][] {
  const pairs: [number, number][] = [];
  for (let a = 0; a < points.length; a += 1)
    for (let b = a + 1; b < points.length; b += 1) if (isFree(points, a, b)) pairs.push([a, b]);
  return pairs;
}

function isFree(points: readonly Node[], a: number, b: number): boolean {
  const [p, q] = [points[a], points[b]];
  if (!p || !q) return false;
  const center = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
  const radius = Math.hypot(p.x - q.x, p.y - q.y) / 2;
  return points.every(
    (r, i) =>
      i === a || i === b || Math.hypot(r.x - center.x, r.y - center.y) > radius * (1 + 1e-9),
  );
}
