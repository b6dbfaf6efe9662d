import { type UnitCode, units } from '../quantity';
import type { FrictionCondition } from '../thread';

interface Case {
  name: string;
  input: Record<string, never> & { op: string };
  expected: Record<string, unknown>;
  tol: Record<string, { rel?: number; abs?: number }>;
}

/** A number passes when |got − expected| ≤ max(abs, rel |expected|); words must match exactly. */
function agrees(
  got: unknown,
  expected: unknown,
  tol: { rel?: number; abs?: number },
  at: string,
): void {
  if (typeof expected === 'number') {
    if (typeof got !== 'number') throw new Error(`${at}: ${String(got)} is no number`);
    const allowed = Math.max(tol.abs ?? 0, (tol.rel ?? 0) * Math.abs(expected), 1e-12);
    if (!(Math.abs(got - expected) <= allowed))
      throw new Error(`${at}: ${got}, expected ${expected}`);
    return;
  }
  if (Array.isArray(expected)) {
    expect(got).toHaveLength(expected.length);
    expected.forEach((e, i) => agrees((got as unknown[])[i], e, tol, `${at}[${i}]`));
    return;
  }
  if (expected !== null && typeof expected === 'object') {
    for (const [k, e] of Object.entries(expected))
      agrees((got as Record<string, unknown>)[k], e, tol, `${at}.${k}`);
    return;
  }
  if (got !== expected) throw new Error(`${at}: ${String(got)}, expected ${String(expected)}`);
}

export function runAll(
  title: string,
  cases: readonly unknown[],
  compute: (input: Case['input']) => Record<string, unknown>,
): void {
  test.each((cases as Case[]).map((c) => [c.name, c] as const))(
    `${title} agrees with “%s”`,
    (_name, c) => {
      const got = compute(c.input);
      for (const [field, expected] of Object.entries(c.expected))
        agrees(got[field], expected, c.tol[field] ?? c.tol['*'] ?? {}, field);
    },
  );
}

export const i = (input: Case['input']): Record<string, number> & Record<string, string> =>
  input as never;
export const friction = (x: ReturnType<typeof i>) => ({
  thread: x.mu_thread ?? x.mu ?? 0,
  head: x.mu_head ?? x.mu ?? 0,
  meanHeadMm: x.Dkm_mm ?? 0,
});
const CONDITIONS: Record<string, FrictionCondition> = {
  dry: 'dry',
  light_oil: 'lightOil',
  engine_oil: 'engineOil',
  moly_paste: 'molyPaste',
  anti_seize: 'antiSeize',
  threadlocker: 'threadLocker',
  sealant: 'sealant',
  plated_waxed: 'platedWaxed',
};

export const condition = (name: string | undefined): FrictionCondition =>
  CONDITIONS[name ?? ''] ?? 'dry';
export const unitOf = (symbol: string | undefined): UnitCode =>
  (Object.keys(units) as UnitCode[]).find((u) => units[u].symbol === symbol) ?? 'N.m';
