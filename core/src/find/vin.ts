/** What can be said of a vehicle identification number by itself. */
export type VinVerdict =
  { kind: 'refused'; why: 'length' | 'letters' } | { kind: 'good'; checkDigit: boolean };

const VALUES: Readonly<Record<string, number>> = {
  ...Object.fromEntries('0123456789'.split('').map((c, i) => [c, i])),
  ...{
    A: 1,
    B: 2,
    C: 3,
    D: 4,
    E: 5,
    F: 6,
    G: 7,
    H: 8,
    J: 1,
    K: 2,
    L: 3,
    M: 4,
    N: 5,
    P: 7,
    R: 9,
    S: 2,
    T: 3,
    U: 4,
    V: 5,
    W: 6,
    X: 7,
    Y: 8,
    Z: 9,
  },
};
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];

/**
 * The VIN among what barcodes say: some print an I before it or words around it.
 * @returns null where none of them holds a whole one
 */
export function vinIn(codes: readonly string[]): string | null {
  for (const code of codes)
    for (const [run] of code.toUpperCase().matchAll(/[A-Z0-9]+/g)) {
      const vin = run.length === 18 && run.startsWith('I') ? run.slice(1) : run;
      if (checkVin(vin).kind === 'good') return vin;
    }
  return null;
}

/**
 * Seventeen letters and digits without I, O and Q refuse; the check digit at place nine is only a
 * note, since not every maker uses it. Source: ISO 3779 alphabet and length, weighted sum modulo
 * 11, from engineering practice.
 */
export function checkVin(text: string): VinVerdict {
  const vin = text.trim().toUpperCase().replace(/\s+/g, '');
  if (vin.length !== 17) return { kind: 'refused', why: 'length' };
  const values = vin.split('').map((c) => VALUES[c]);
  if (values.some((value) => value === undefined)) return { kind: 'refused', why: 'letters' };
  const sum =
    values.reduce<number>((total, value, i) => total + (value ?? 0) * (WEIGHTS[i] ?? 0), 0) % 11;
  return { kind: 'good', checkDigit: vin[8] === (sum === 10 ? 'X' : String(sum)) };
}
