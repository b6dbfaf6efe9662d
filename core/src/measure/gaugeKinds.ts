import { gap, protrusion, runOut } from './gauges';
import { at, limit, whole, type Found, type MeasureKind } from './kind';
import { worst, type Verdict } from './verdict';
import { unlikeOthers } from './wear';

export const PROTRUSION: MeasureKind = {
  needsAll: true,
  id: 'protrusion',
  title: 'Protrusion or depth',
  columns: ['one side', 'other side'],
  rows: ['1', '2', '3', '4'],
  limits: [
    { key: 'min', label: 'At least (depth is negative)' },
    { key: 'max', label: 'At most' },
    { key: 'step', label: 'From one to the next' },
    { key: 'tilt', label: 'Inside one' },
  ],
  plausible: [-50, 50],
  judge: (r) => {
    const rows = whole(r, 1);
    const limits = {
      minMm: limit(r, 'min'),
      maxMm: limit(r, 'max'),
      stepMm: limit(r, 'step'),
      tiltMm: limit(r, 'tilt'),
    };
    const p = protrusion(
      rows.map((x) => x.values),
      0,
      limits,
      r.uncertaintyMm,
    );
    return {
      verdict: p.verdict,
      found: [
        ...rows.map(({ row }, i): Found => ({
          what: row,
          mm: p.valuesMm[i] ?? null,
          verdict: p.verdicts[i] ?? null,
        })),
        { what: 'Step between neighbours', mm: p.stepMm, verdict: p.verdictStep },
        { what: 'Tilt inside one', mm: p.tiltMm, verdict: p.verdictTilt },
      ],
    };
  },
};

export const GAP: MeasureKind = {
  needsAll: true,
  id: 'gap',
  title: 'Gap by feeler',
  columns: ['leaf that enters', 'leaf that does not'],
  rows: ['1', '2', '3', '4'],
  limits: [
    { key: 'min', label: 'At least' },
    { key: 'max', label: 'At most' },
  ],
  plausible: [0, 5],
  judge: (r) => {
    const found = whole(r, 1).map(({ row, values }): Found => {
      const g = gap(at(values, 0), at(values, 1), limit(r, 'min'), limit(r, 'max'));
      return { what: row, mm: g.estimateMm, verdict: g.verdict };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};

export const RUN_OUT: MeasureKind = {
  id: 'runOut',
  title: 'Run-out by dial',
  columns: ['dial says'],
  rows: ['0°', '45°', '90°', '135°', '180°', '225°', '270°', '315°'],
  limits: [{ key: 'max', label: 'Whole swing, at most' }],
  plausible: [-10, 10],
  judge: (r) => {
    const rows = whole(r, 3);
    const o = runOut(
      rows.map((x) => at(x.values, 0)),
      limit(r, 'max'),
      r.uncertaintyMm,
    );
    return {
      verdict: o.verdict,
      found: [
        { what: 'Whole swing', mm: o.tirMm, verdict: o.verdict },
        {
          what: 'Out of centre',
          mm: o.eccentricityMm,
          verdict: null,
          ...(o.highSideDeg === null ? {} : { note: `high at ${Math.round(o.highSideDeg)}°` }),
        },
        { what: 'Form besides', mm: o.formMm, verdict: null },
      ],
    };
  },
};

const OUTLIER: Record<'ok' | 'note' | 'strong', Verdict> = {
  ok: 'pass',
  note: 'marginal',
  strong: 'marginal',
};
export const WEAR: MeasureKind = {
  id: 'wear',
  title: 'Wear, one against the others',
  columns: ['measured'],
  rows: ['1 in', '1 out', '2 in', '2 out', '3 in', '3 out', '4 in', '4 out'],
  limits: [],
  plausible: [0, 200],
  judge: (r) => {
    const rows = whole(r, 2);
    const values = rows.map((x) => at(x.values, 0));
    const flags = unlikeOthers(
      rows.map(({ row }, i) => ({ row, mm: at(values, i) })),
      r.uncertaintyMm,
    );
    const found = rows.map(({ row }, i): Found => {
      const flag = flags[i] ?? null;
      if (flag === null)
        return {
          what: row,
          mm: at(values, i),
          verdict: 'marginal',
          note: 'too few of its kind to compare',
        };
      return {
        what: row,
        mm: at(values, i),
        verdict: OUTLIER[flag],
        ...(flag === 'ok' ? {} : { note: 'unlike the others: look at it again' }),
      };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};
