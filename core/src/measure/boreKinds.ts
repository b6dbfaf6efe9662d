import { textsOf } from '../language';
import { measureKinds } from '../language/en/measureKinds';
import { AppError } from '../errors';
import { bearing } from './bearing';
import { boltLength, type BoltLength } from './gauges';
import { at, limit, whole, type Found, type MeasureKind } from './kind';
import { stripClearance } from './strip';
import { guardedBand, worst, type Verdict } from './verdict';

const text = textsOf('measureKinds', measureKinds);

export const STRIP: MeasureKind = {
  id: 'strip',
  get title() {
    return text.strip.title;
  },
  get columns() {
    return [text.strip.oneEnd, text.strip.otherEnd];
  },
  rows: ['1', '2', '3', '4'],
  get limits() {
    return [
      { key: 'min', label: text.strip.min },
      { key: 'max', label: text.strip.max },
      { key: 'taper', label: text.strip.taper },
    ];
  },
  plausible: [0.3, 8],
  judge: (r) => {
    const table = r.strip ?? [];
    const found = whole(r, 1).map(({ row, values }): Found => {
      const ends = values.map((w) => stripClearance(table, w));
      const mean = ends.reduce((s, e) => s + e.clearanceMm, 0) / ends.length;
      const taper = Math.abs(
        at(
          ends.map((e) => e.clearanceMm),
          0,
        ) -
          at(
            ends.map((e) => e.clearanceMm),
            1,
          ),
      );
      const outside = ends.find((e) => e.flag !== 'inside');
      const band = guardedBand(mean, r.uncertaintyMm, limit(r, 'min'), limit(r, 'max'));
      const conical = taper > limit(r, 'taper') ? 'fail' : 'pass';
      const verdict = worst([band, conical, outside && band === 'pass' ? 'marginal' : 'pass']);
      const note = outside
        ? outside.flag === 'looser'
          ? text.strip.looser
          : text.strip.tighter
        : conical === 'fail'
          ? text.strip.conical
          : undefined;
      return { what: row, mm: mean, verdict, ...(note ? { note } : {}) };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};

export const BEARING: MeasureKind = {
  id: 'bearing',
  get title() {
    return text.bearing.title;
  },
  get columns() {
    return [text.bearing.along, text.bearing.across];
  },
  rows: ['bore, front', 'bore, rear', 'journal, front', 'journal, rear'],
  get limits() {
    return [
      { key: 'min', label: text.strip.min },
      { key: 'max', label: text.strip.max },
      { key: 'ovality', label: text.bearing.ovality },
      { key: 'taper', label: text.bearing.taper },
    ];
  },
  plausible: [5, 200],
  judge: (r) => {
    const rows = whole(r, 2);
    const planes = (stem: string): number[][] =>
      rows.filter((x) => x.row.startsWith(stem)).map((x) => x.values);
    const [bores, journals] = [planes('bore'), planes('journal')];
    if (bores.length === 0 || journals.length === 0)
      throw new AppError('MEASUREMENTS_NEEDED', { count: 2 });
    const limits = {
      clearanceMinMm: limit(r, 'min'),
      clearanceMaxMm: limit(r, 'max'),
      ovalityMm: limit(r, 'ovality'),
      taperMm: limit(r, 'taper'),
    };
    const b = bearing(bores, journals, limits, r.uncertaintyMm);
    return {
      verdict: b.verdict,
      found: [
        { what: text.bearing.clearance, mm: b.clearanceMm, verdict: b.verdictClearance },
        {
          what: text.bearing.journalRound,
          mm: b.journal.ovalityMm,
          verdict: b.verdictJournalOvality,
        },
        { what: text.bearing.journalTaper, mm: b.journal.taperMm, verdict: b.verdictJournalTaper },
        { what: text.bearing.boreRound, mm: b.bore.ovalityMm, verdict: b.verdictBoreOvality },
      ],
    };
  },
};

const LENGTH_VERDICT: Record<BoltLength['verdict'], Verdict> = {
  reuse: 'pass',
  near_limit: 'fail',
  replace: 'fail',
  wrong_part: 'fail',
  instrument_too_coarse: 'marginal',
};

export const BOLT_LENGTH: MeasureKind = {
  id: 'boltLength',
  get title() {
    return text.length.title;
  },
  get columns() {
    return [text.length.column];
  },
  rows: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10'],
  get limits() {
    return [
      { key: 'new', label: text.length.new },
      { key: 'max', label: text.length.max },
    ];
  },
  plausible: [8, 400],
  judge: (r) => {
    const found = whole(r, 1).map(({ row, values }): Found => {
      const b = boltLength(at(values, 0), limit(r, 'new'), limit(r, 'max'), r.uncertaintyMm, false);
      return {
        what: row,
        mm: at(values, 0),
        verdict: LENGTH_VERDICT[b.verdict],
        note: text.length[b.verdict],
      };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};
