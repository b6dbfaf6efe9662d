import { AppError } from '@stennet/core/errors';
import {
  feelerFlatness,
  runOut,
  stripClearance,
  type FeelerPoint,
  type Verdict,
} from '@stennet/core/measure';
import { plausibility } from '@stennet/core/clamp';
import { clockAfter, flats, swings } from '@stennet/core/prepare';
import {
  convert,
  parseNumbers,
  parseQuantity,
  wrenchSetting,
  type Formatter,
  type UnitCode,
} from '@stennet/core/quantity';
import { PROPERTY_CLASSES } from '@stennet/core/thread';
import { text } from '../text';
import { readLength, readTorque } from './read';

/** What stands in the fields of a small tool, by name. */
export type Typed = Readonly<Record<string, string>>;
export interface Answer {
  /** What it comes to, in one sentence. */
  says: string;
  lines?: readonly string[];
  isWarning?: boolean;
  /** A paper disc of so many degrees helps. */
  disc?: number;
}
export interface SmallTool {
  name: ToolName;
  fields: readonly {
    name: keyof typeof text.small.fields;
    start: string;
    options?: readonly string[];
  }[];
  /** null: not everything is there yet. */
  answer: (typed: Typed, shop: { unit: UnitCode; format: Formatter }) => Answer | null;
}
export type ToolName = 'sane' | 'push' | 'swings' | 'range' | 'flatness' | 'strip' | 'runout';

const length = (typed: string | undefined): number | undefined => readLength(typed ?? '');

/** An angle in degrees; undefined where it is none. */
function degrees(typed: string | undefined): number | undefined {
  try {
    const { value } = parseQuantity(typed ?? '', 'deg');
    return value > 0 && value <= 3600 ? value : undefined;
  } catch {
    return undefined;
  }
}

const verdict = (of: Verdict): string => text.small.verdicts[of];

const sane: SmallTool = {
  name: 'sane',
  fields: [
    { name: 'torque', start: '' },
    { name: 'thread', start: 'M8' },
    { name: 'propertyClass', start: '8.8', options: PROPERTY_CLASSES },
  ],
  answer: (typed, { unit, format }) => {
    const torque = readTorque(typed.torque ?? '', unit);
    if (!torque || !typed.thread?.trim()) return null;
    const seen = plausibility(torque, typed.thread.trim(), typed.propertyClass ?? '8.8', 'final');
    const nm = (n: number): string => format.quantity({ value: n, unit: 'N.m' }).text;
    const said = {
      torque: format.quantity(torque).text,
      bolt: `${typed.thread.trim()} ${typed.propertyClass ?? ''}`.trim(),
      percent: format.number(seen.ratio * 100, 0),
    };
    const [slip] = seen.slips;
    return {
      says: text.small.sane[seen.level](said),
      isWarning: seen.level !== 'ok' && seen.level !== 'noteLow',
      lines: [
        text.small.sane.yields({
          dry: nm(seen.yieldTorquesNm.highMu),
          oiled: nm(seen.yieldTorquesNm.ordinary),
          slick: nm(seen.yieldTorquesNm.lowMu),
        }),
        ...(slip ? [text.small.sane.slip({ as: text.small.sane.as[slip.as] })] : []),
        text.small.sane.maker,
      ],
    };
  },
};

const push: SmallTool = {
  name: 'push',
  fields: [
    { name: 'torque', start: '' },
    { name: 'bar', start: '400' },
  ],
  answer: (typed, { unit, format }) => {
    const torque = readTorque(typed.torque ?? '', unit);
    const mm = length(typed.bar);
    if (!torque || mm === undefined) return null;
    const newton = (convert(torque, 'N.m') * 1000) / mm;
    const force = format.quantity({ value: Math.round(newton), unit: 'N' }).text;
    const kg = format.number(newton / 9.80665, 0);
    return {
      says: text.small.push.says({ force, kg }),
      isWarning: newton > MOST_PUSH_N,
      lines: [
        newton > MOST_PUSH_N
          ? text.small.push.heavy({
              mm: format.quantity({
                value: Math.ceil((convert(torque, 'N.m') * 1000) / MOST_PUSH_N / 10) * 10,
                unit: 'mm',
              }).text,
            })
          : text.small.push.light,
      ],
    };
  },
};
/** What one arm pulls steadily, standing well: about. */
const MOST_PUSH_N = 350;

const swingTool: SmallTool = {
  name: 'swings',
  fields: [
    { name: 'angle', start: '90' },
    { name: 'room', start: '60' },
    { name: 'teeth', start: '5', options: ['5', '10', '30'] },
  ],
  answer: (typed, { format }) => {
    const [angle, room, step] = [typed.angle, typed.room, typed.teeth].map(degrees);
    if (!angle || !room || !step) return null;
    const taken = swings(angle, room, step);
    const turned = flats(angle);
    const { hour, fullTurns } = clockAfter(12, angle);
    return {
      says:
        taken.swings === null
          ? text.small.swings.none
          : text.small.swings.says({
              count: taken.swings,
              each: `${format.number(taken.usableDeg)}°`,
              last: `${format.number(taken.lastStrokeDeg ?? 0)}°`,
            }),
      isWarning: taken.swings === null,
      ...(Number.isInteger(angle) && angle <= 720 ? { disc: angle } : {}),
      lines: [
        text.small.swings.flats({
          flats: format.number(turned.flats, 2),
          points: format.number(turned.points12, 2),
        }),
        text.small.swings.clock({ hour: format.number(hour, 1), turns: fullTurns }),
      ],
    };
  },
};

const range: SmallTool = {
  name: 'range',
  fields: [
    { name: 'torque', start: '' },
    { name: 'lowest', start: '40' },
    { name: 'highest', start: '200' },
    { name: 'step', start: '1' },
  ],
  answer: (typed, { unit, format }) => {
    const torque = readTorque(typed.torque ?? '', unit);
    const [min, max, graduation] = [typed.lowest, typed.highest, typed.step].map((t) =>
      readTorque(t ?? '', unit),
    );
    if (!torque || !min || !max || !graduation || min.value >= max.value) return null;
    const wrench = {
      id: '',
      name: '',
      unit,
      min: convert(min, unit),
      max: convert(max, unit),
      graduation: convert(graduation, unit),
      calibratedUntil: '9999-12-31',
    };
    try {
      const set = wrenchSetting(wrench as never, torque);
      const off = (convert(set, 'N.m') / convert(torque, 'N.m') - 1) * 100;
      return {
        says: text.small.range.says({ value: format.inHand(set).text }),
        lines: [
          Math.abs(off) < 0.05
            ? text.small.range.exact
            : text.small.range.off({ percent: format.number(Math.abs(off), 1) }),
        ],
      };
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      return { says: text.small.range.outside, isWarning: true, lines: [text.small.range.other] };
    }
  },
};

const flatness: SmallTool = {
  name: 'flatness',
  fields: [
    { name: 'enters', start: '' },
    { name: 'stops', start: '' },
    { name: 'limit', start: '0.05' },
  ],
  answer: (typed, { format }) => {
    const [goMm, nogoMm, limit] = [typed.enters, typed.stops, typed.limit].map((t) =>
      t?.trim() === '0' ? 0 : length(t),
    );
    if (goMm === undefined || nogoMm === undefined || limit === undefined || nogoMm <= goMm)
      return null;
    const points: FeelerPoint[] = [{ posMm: 0, goMm, nogoMm }];
    const found = feelerFlatness([{ name: '1', points }], {
      overallMm: limit,
      windowMm: 100,
      localMm: limit,
    });
    return {
      says: text.small.flatness.says({
        mm: format.quantity({ value: found.overallMm, unit: 'mm' }).text,
        verdict: verdict(found.verdictOverall),
      }),
      isWarning: found.verdictOverall !== 'pass',
      lines: [text.small.flatness.line],
    };
  },
};

const strip: SmallTool = {
  name: 'strip',
  fields: [
    { name: 'width', start: '' },
    { name: 'marks', start: '' },
  ],
  answer: (typed, { format }) => {
    const width = length(typed.width);
    const marks = (typed.marks ?? '')
      .split(/[;\n]+/)
      .map((pair) => parseNumbers(pair))
      .flatMap(([w, c]) => (w === undefined || c === undefined ? [] : [[w, c] as const]));
    if (width === undefined || marks.length < 2) return null;
    try {
      const { clearanceMm, flag } = stripClearance(marks, width);
      return {
        says: text.small.strip[flag]({
          mm: format.quantity({ value: clearanceMm, unit: 'mm' }).text,
        }),
        isWarning: flag !== 'inside',
      };
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      return { says: `${error.message} ${error.fix}`, isWarning: true };
    }
  },
};

const runout: SmallTool = {
  name: 'runout',
  fields: [
    { name: 'readings', start: '' },
    { name: 'limit', start: '0.1' },
  ],
  answer: (typed, { format }) => {
    const readings = parseNumbers(typed.readings ?? '');
    const limit = length(typed.limit);
    if (readings.length < 2 || limit === undefined) return null;
    const found = runOut(readings, limit, DIAL_MM);
    const mm = (value: number): string => format.quantity({ value, unit: 'mm' }).text;
    return {
      says: text.small.runout.says({ mm: mm(round(found.tirMm)), verdict: verdict(found.verdict) }),
      isWarning: found.verdict !== 'pass',
      lines: [
        ...(found.eccentricityMm === null
          ? [text.small.runout.few]
          : [
              text.small.runout.parts({
                off: mm(round(found.eccentricityMm)),
                form: mm(round(found.formMm ?? 0)),
              }),
            ]),
      ],
    };
  },
};
/** How exactly a dial is read, mm. */
const DIAL_MM = 0.005;
const round = (mm: number): number => Math.round(mm * 1000) / 1000;

export const SMALL_TOOLS: readonly SmallTool[] = [
  sane,
  push,
  swingTool,
  range,
  flatness,
  strip,
  runout,
];
