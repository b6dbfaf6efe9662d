import { textsOf } from '../language';
import { measureKinds } from '../language/en/measureKinds';
import { gap, protrusion, runOut } from './gauges';
import { at, limit, whole, type Found, type MeasureKind } from './kind';
import { guardedBand, worst, type Verdict } from './verdict';
import { unlikeOthers } from './wear';

const text = textsOf('measureKinds', measureKinds);

export const PROTRUSION: MeasureKind = {
  needsAll: true,
  id: 'protrusion',
  get title() {
    return text.protrusion.title;
  },
  get columns() {
    return [text.protrusion.one, text.protrusion.other];
  },
  rows: ['1', '2', '3', '4'],
  get limits() {
    return [
      { key: 'min', label: text.protrusion.min },
      { key: 'max', label: text.length.max },
      { key: 'step', label: text.warp.step },
      { key: 'tilt', label: text.protrusion.inside },
    ];
  },
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
        { what: text.protrusion.step, mm: p.stepMm, verdict: p.verdictStep },
        { what: text.warp.tiltInside, mm: p.tiltMm, verdict: p.verdictTilt },
      ],
    };
  },
};

export const GAP: MeasureKind = {
  needsAll: true,
  id: 'gap',
  get title() {
    return text.gap.title;
  },
  get columns() {
    return [text.flatness.fits, text.flatness.doesNot];
  },
  rows: ['1', '2', '3', '4'],
  get limits() {
    return [
      { key: 'min', label: text.gap.min },
      { key: 'max', label: text.length.max },
    ];
  },
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
  get title() {
    return text.runOut.title;
  },
  get columns() {
    return [text.runOut.reads];
  },
  rows: ['0°', '45°', '90°', '135°', '180°', '225°', '270°', '315°'],
  get limits() {
    return [{ key: 'max', label: text.runOut.max }];
  },
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
        { what: text.runOut.total, mm: o.tirMm, verdict: o.verdict },
        {
          what: text.runOut.center,
          mm: o.eccentricityMm,
          verdict: null,
          ...(o.highSideDeg === null
            ? {}
            : { note: text.runOut.high({ deg: Math.round(o.highSideDeg) }) }),
        },
        { what: text.runOut.form, mm: o.formMm, verdict: null },
      ],
    };
  },
};

/** From the tip of a drill or tap to the collar on it, before it goes into a hole. */
export const STOP_DEPTH: MeasureKind = {
  needsAll: true,
  id: 'stopDepth',
  get title() {
    return text.stopDepth.title;
  },
  get columns() {
    return [text.stopDepth.column];
  },
  rows: ['drill', 'tap'],
  get limits() {
    return [
      { key: 'min', label: text.stopDepth.min },
      { key: 'max', label: text.length.max },
    ];
  },
  plausible: [1, 300],
  judge: (r) => {
    const found = whole(r, 1).map(({ row, values }): Found => {
      const mm = at(values, 0);
      const verdict = guardedBand(mm, r.uncertaintyMm, limit(r, 'min'), limit(r, 'max'));
      return { what: row, mm, verdict };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};

const OUTLIER: Record<'ok' | 'note' | 'strong', Verdict> = {
  ok: 'pass',
  note: 'marginal',
  strong: 'marginal',
};
export const WEAR: MeasureKind = {
  id: 'wear',
  get title() {
    return text.wear.title;
  },
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
          note: text.wear.tooFew,
        };
      return {
        what: row,
        mm: at(values, i),
        verdict: OUTLIER[flag],
        ...(flag === 'ok' ? {} : { note: text.wear.unlike }),
      };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};
