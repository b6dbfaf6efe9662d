import { feelerFlatness, type FeelerPoint } from './feelerLines';
import { flangeWarp } from './flangeWarp';
import { at, limit, whole, type MeasureKind } from './kind';

/** A face by straight-edge and leaves; the rows of one line share its name. */
export const FLATNESS: MeasureKind = {
  needsAll: true,
  id: 'flatness',
  title: 'Flatness by straight-edge',
  columns: ['place along it', 'leaf that enters', 'leaf that does not'],
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
  limits: [
    { key: 'overall', label: 'Over the whole face' },
    { key: 'window', label: 'Per length of' },
    { key: 'local', label: 'Within that length' },
  ],
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
        { what: `Overall, worst on ${f.worstLine}`, mm: f.overallMm, verdict: f.verdictOverall },
        {
          what: `Within the length, worst on ${f.localLine}`,
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
  title: 'Warp of manifold flanges',
  columns: ['along the manifold', 'gap, upper side', 'gap, lower side'],
  rows: ['1', '2', '3', '4'],
  limits: [
    { key: 'overall', label: 'Over all flanges' },
    { key: 'step', label: 'From one to the next' },
    { key: 'tilt', label: 'Inside one flange' },
  ],
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
        { what: `Overall, worst at ${w.worstFlange}`, mm: w.overallMm, verdict: w.verdictOverall },
        { what: `Step after ${w.stepAfter}`, mm: w.stepMm, verdict: w.verdictStep },
        { what: 'Tilt inside one', mm: w.tiltMm, verdict: w.verdictTilt },
        { what: 'Bow between the ends', mm: w.bowMm, verdict: null },
      ],
    };
  },
};
