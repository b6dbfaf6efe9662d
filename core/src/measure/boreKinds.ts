import { AppError } from '../errors';
import { bearing } from './bearing';
import { boltLength, type BoltLength } from './gauges';
import { at, limit, whole, type Found, type MeasureKind } from './kind';
import { stripClearance } from './strip';
import { guardedBand, worst, type Verdict } from './verdict';

export const STRIP: MeasureKind = {
  id: 'strip',
  title: 'Bearing clearance by gauge strip',
  columns: ['width, one end', 'width, other end'],
  rows: ['1', '2', '3', '4'],
  limits: [
    { key: 'min', label: 'Clearance, at least' },
    { key: 'max', label: 'Clearance, at most' },
    { key: 'taper', label: 'From end to end, at most' },
  ],
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
        ? `${outside.flag} than the strip shows`
        : conical === 'fail'
          ? 'conical'
          : undefined;
      return { what: row, mm: mean, verdict, ...(note ? { note } : {}) };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};

export const BEARING: MeasureKind = {
  id: 'bearing',
  title: 'Bearing clearance, ovality, taper',
  columns: ['one direction', 'across it'],
  rows: ['bore, front', 'bore, rear', 'journal, front', 'journal, rear'],
  limits: [
    { key: 'min', label: 'Clearance, at least' },
    { key: 'max', label: 'Clearance, at most' },
    { key: 'ovality', label: 'Out of round, at most' },
    { key: 'taper', label: 'Taper, at most' },
  ],
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
        { what: 'Clearance', mm: b.clearanceMm, verdict: b.verdictClearance },
        { what: 'Journal out of round', mm: b.journal.ovalityMm, verdict: b.verdictJournalOvality },
        { what: 'Journal taper', mm: b.journal.taperMm, verdict: b.verdictJournalTaper },
        { what: 'Bore out of round', mm: b.bore.ovalityMm, verdict: b.verdictBoreOvality },
      ],
    };
  },
};

const LENGTH_VERDICT: Record<BoltLength['verdict'], [Verdict, string]> = {
  reuse: ['pass', 'may go in again'],
  near_limit: ['fail', 'too near the limit: replace it'],
  replace: ['fail', 'replace it'],
  wrong_part: ['fail', 'shorter than a new one: another bolt'],
  instrument_too_coarse: ['marginal', 'this instrument is too coarse to decide'],
};

export const BOLT_LENGTH: MeasureKind = {
  id: 'boltLength',
  title: 'Length of bolts',
  columns: ['length'],
  rows: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10'],
  limits: [
    { key: 'new', label: 'A new one is' },
    { key: 'max', label: 'At most' },
  ],
  plausible: [8, 400],
  judge: (r) => {
    const found = whole(r, 1).map(({ row, values }): Found => {
      const b = boltLength(at(values, 0), limit(r, 'new'), limit(r, 'max'), r.uncertaintyMm, false);
      const [verdict, note] = LENGTH_VERDICT[b.verdict];
      return { what: row, mm: at(values, 0), verdict, note };
    });
    return { verdict: worst(found.flatMap((f) => f.verdict ?? [])), found };
  },
};
