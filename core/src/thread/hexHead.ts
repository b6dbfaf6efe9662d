/**
 * Where a plain hexagon head bears, in mm: width across flats, bearing face, medium clearance hole,
 * mean friction diameter.
 */
export interface HexHead {
  acrossFlatsMm: number;
  bearingMm: number;
  holeMm: number;
  meanMm: number;
}

const HEADS: Readonly<Record<number, readonly [number, number, number]>> = {
  5: [8, 6.88, 5.5],
  6: [10, 8.88, 6.6],
  8: [13, 11.63, 9],
  10: [16, 14.63, 11],
  11: [17, 15.6, 12],
  12: [18, 16.63, 13.5],
  14: [21, 19.64, 15.5],
  16: [24, 22.49, 17.5],
};

/**
 * Bearing of a hexagon head by nominal diameter. Sizes outside the table are estimates (s = 1.5 d,
 * dw = 0.95 s, dh = d + 0.8), defined here. Flanged and socket heads bear elsewhere: give their
 * real diameters instead.
 * @param bears outer diameter of a flange or washer, mm
 * @example hexHeadOf(10).meanMm // 12.815
 */
export function hexHeadOf(dMm: number, bears?: number): HexHead {
  const [acrossFlatsMm, plainMm, holeMm] = HEADS[dMm] ?? [1.5 * dMm, 0.95 * 1.5 * dMm, dMm + 0.8];
  const bearingMm = Math.max(bears ?? plainMm, holeMm);
  return { acrossFlatsMm, bearingMm, holeMm, meanMm: (bearingMm + holeMm) / 2 };
}
