import { textsOf } from '../language';
import { measureKinds } from '../language/en/measureKinds';
import { feelerFlatness, type FeelerPoint } from './feelerLines';
import { flangeWarp } from './flangeWarp';
import { at, limit, whole, type MeasureKind } from './kind';
import { rowText } from './rowText';

const text = textsOf('measureKinds', measureKinds);

/** A face by straight-edge and leaves; the rows of one line share its name. */
export const FLATNESS: MeasureKind = {
  needsAll: true,
  id: 'flatness',
  get title() {
    return text.flatness.title;
  },
  get columns() {
    return [text.flatness.place, text.flatness.fits, text.flatness.doesNot];
  },
  rows: [
    'long A',
    'long A',
    'long A',
    'long B',
    'long B',
    'long B',
    'diagonal 1',
    'diagonal 1',
    'diagonal 1',
    'diagonal 2',
    'diagonal 2',
    'diagonal 2',
  ],
  get limits() {
    return [
      { key: 'overall', label: text.flatness.whole },
      { key: 'window', label: text.flatness.per },
      { key: 'local', label: text.flatness.within },
    ];
  },
  plausible: [0, 1000],
  judge: (r) => {
    const rows = whole(r, 3);
    const names = [...new Set(rows.map((x) => x.row))];
    const point = ({ values }: { values: number[] }): FeelerPoint => ({
      posMm: at(values, 0),
      goMm: at(values, 1),
      nogoMm: at(values, 2),
    });
    const lines = names.map((name) => ({
      name,
      points: rows.filter((x) => x.row === name).map(point),
    }));
    const f = feelerFlatness(lines, {
      overallMm: limit(r, 'overall'),
      windowMm: limit(r, 'window'),
      localMm: limit(r, 'local'),
    });
    return {
      verdict: f.verdict,
      found: [
        {
          what: text.flatness.overall({ line: rowText(f.worstLine) }),
          mm: f.overallMm,
          verdict: f.verdictOverall,
        },
        {
          what: text.flatness.local({ line: rowText(f.localLine) }),
          mm: f.localMm,
          verdict: f.verdictLocal,
        },
      ],
    };
  },
};

export const WARP: MeasureKind = {
  needsAll: true,
  id: 'warp',
  get title() {
    return text.warp.title;
  },
  get columns() {
    return [text.warp.along, text.warp.upper, text.warp.lower];
  },
  rows: ['1', '2', '3', '4'],
  get limits() {
    return [
      { key: 'overall', label: text.warp.all },
      { key: 'step', label: text.warp.step },
      { key: 'tilt', label: text.warp.tilt },
    ];
  },
  plausible: [0, 1000],
  judge: (r) => {
    const flanges = whole(r, 2).map(({ row, values }) => ({
      name: row,
      xMm: at(values, 0),
      gapsMm: values.slice(1),
    }));
    const w = flangeWarp(
      flanges,
      { overallMm: limit(r, 'overall'), stepMm: limit(r, 'step'), tiltMm: limit(r, 'tilt') },
      r.uncertaintyMm,
    );
    return {
      verdict: w.verdict,
      found: [
        {
          what: text.warp.overall({ flange: w.worstFlange }),
          mm: w.overallMm,
          verdict: w.verdictOverall,
        },
        {
          what: text.warp.stepAfter({ flange: w.stepAfter }),
          mm: w.stepMm,
          verdict: w.verdictStep,
        },
        { what: text.warp.tiltInside, mm: w.tiltMm, verdict: w.verdictTilt },
        { what: text.warp.bow, mm: w.bowMm, verdict: null },
      ],
    };
  },
};
