import { AppError } from '../errors';

/**
 * Basic-profile geometry of a thread; lengths in mm, areas in mm². No tolerance or plating
 * allowance.
 */
export interface Thread {
  name: string;
  system: 'metric' | 'inch';
  series: 'coarse' | 'fine' | 'UNC' | 'UNF';
  dMm: number;
  pitchMm: number;
  /** Pitch, minor (internal) and root (external) diameters. */
  d2Mm: number;
  d1Mm: number;
  d3Mm: number;
  /** Stress diameter and stress area. */
  dsMm: number;
  stressAreaMm2: number;
  rootAreaMm2: number;
  leadAngleDeg: number;
}

const COARSE_PITCH_MM: Readonly<Record<number, number>> = {
  3: 0.5,
  4: 0.7,
  5: 0.8,
  6: 1,
  7: 1,
  8: 1.25,
  10: 1.5,
  12: 1.75,
  14: 2,
  16: 2,
  18: 2.5,
  20: 2.5,
  22: 2.5,
  24: 3,
  27: 3,
  30: 3.5,
  33: 3.5,
  36: 4,
};
const COARSE_PER_INCH: Readonly<Record<string, number>> = {
  '1/4': 20,
  '5/16': 18,
  '3/8': 16,
  '7/16': 14,
  '1/2': 13,
  '9/16': 12,
  '5/8': 11,
  '3/4': 10,
  '7/8': 9,
  '1': 8,
  '1 1/8': 7,
  '1 1/4': 7,
  '1 1/2': 6,
  '#4': 40,
  '#6': 32,
  '#8': 32,
  '#10': 24,
  '#12': 24,
};
const MM_PER_INCH = 25.4;

/**
 * Geometry of a thread by its designation: `M10`, `M10x1.25`, `M10×1.25`, `3/8-16`.
 * H = (√3/2) P; d2 = d − 0.75 H, d1 = d − 1.25 H, d3 = d − (17/12) H; metric ds = (d2 + d3)/2,
 * unified ds = d − (9√3/16) P. Source: ISO 68-1 and ISO 724 profile, ISO 898-1 stress area, from
 * engineering practice.
 * @param pitchMm the pitch where the designation does not say it; a metric size alone is coarse
 * @throws AppError THREAD_UNKNOWN
 * @example threadOf('M10').stressAreaMm2 // 57.99
 * @example threadOf('1 1/8-12').dMm // 28.575; threadOf('#10-24').dMm // 4.826
 */
export function threadOf(designation: string, pitchMm?: number): Thread {
  const tidy = designation.trim().replace('×', 'x').replace(/\s+/g, '');
  const metric = /^M(\d+(?:\.\d+)?)(?:x(\d+(?:\.\d+)?))?$/i.exec(tidy);
  if (metric) return metricThread(tidy, Number(metric[1]), metric[2] ? Number(metric[2]) : pitchMm);
  const inch = inchSize(designation);
  if (inch) return inchThread(`${inch.size}-${inch.perInch}`, inch.size, inch.dInch, inch.perInch);
  throw new AppError('THREAD_UNKNOWN', { thread: designation });
}

function metricThread(name: string, dMm: number, pitchMm: number | undefined): Thread {
  const coarse = COARSE_PITCH_MM[dMm];
  const pitch = pitchMm ?? coarse;
  if (pitch === undefined || !(dMm > 0) || !(pitch > 0) || pitch >= dMm)
    throw new AppError('THREAD_UNKNOWN', { thread: name });
  const { d2Mm, d3Mm, d1Mm } = profile(dMm, pitch);
  return complete({
    name,
    system: 'metric',
    series: pitch === coarse ? 'coarse' : 'fine',
    dMm,
    pitchMm: pitch,
    d2Mm,
    d1Mm,
    d3Mm,
    dsMm: (d2Mm + d3Mm) / 2,
  });
}

/**
 * `3/8-16`, `1-8`, `1 1/8-12`, `#10-24`; numbered sizes are 0.060 in + 0.013 in each. Source: ASME
 * B1.1, from engineering practice.
 */
function inchSize(text: string): { size: string; dInch: number; perInch: number } | null {
  const tidy = text.trim().replace(/\s*UN[A-Z]*$/i, '');
  const gauge = /^#\s*(\d+)\s*-\s*(\d+)$/.exec(tidy);
  if (gauge)
    return {
      size: `#${gauge[1]}`,
      dInch: 0.06 + 0.013 * Number(gauge[1]),
      perInch: Number(gauge[2]),
    };
  const whole = /^(\d+)\s*-\s*(\d+)$/.exec(tidy);
  if (whole) return { size: `${whole[1]}`, dInch: Number(whole[1]), perInch: Number(whole[2]) };
  const part = /^(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)\s*-\s*(\d+)$/.exec(tidy);
  if (!part) return null;
  return {
    size: `${part[1] ? `${part[1]} ` : ''}${part[2]}/${part[3]}`,
    dInch: Number(part[1] ?? 0) + Number(part[2]) / Number(part[3]),
    perInch: Number(part[4]),
  };
}

/** Inch threads say their pitch by themselves. */
export const isInchThread = (designation: string): boolean => inchSize(designation) !== null;

function inchThread(name: string, size: string, dInch: number, perInch: number): Thread {
  const dMm = dInch * MM_PER_INCH;
  const pitchMm = MM_PER_INCH / perInch;
  if (!Number.isFinite(dMm) || !Number.isFinite(pitchMm) || pitchMm >= dMm)
    throw new AppError('THREAD_UNKNOWN', { thread: name });
  const series = COARSE_PER_INCH[size] === perInch ? 'UNC' : 'UNF';
  return complete({
    name,
    system: 'inch',
    series,
    dMm,
    pitchMm,
    ...profile(dMm, pitchMm),
    dsMm: dMm - ((9 * Math.sqrt(3)) / 16) * pitchMm,
  });
}

function profile(dMm: number, pitchMm: number): { d2Mm: number; d1Mm: number; d3Mm: number } {
  const h = (Math.sqrt(3) / 2) * pitchMm;
  return { d2Mm: dMm - 0.75 * h, d1Mm: dMm - 1.25 * h, d3Mm: dMm - (17 / 12) * h };
}

const area = (diameterMm: number): number => (Math.PI / 4) * diameterMm ** 2;

function complete(t: Omit<Thread, 'stressAreaMm2' | 'rootAreaMm2' | 'leadAngleDeg'>): Thread {
  return {
    ...t,
    stressAreaMm2: area(t.dsMm),
    rootAreaMm2: area(t.d3Mm),
    leadAngleDeg: (Math.atan(t.pitchMm / (Math.PI * t.d2Mm)) * 180) / Math.PI,
  };
}
