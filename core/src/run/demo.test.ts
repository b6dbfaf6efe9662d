import { checkSheet } from '../procedure';
import { demoSheets, Technician } from '../testing';
import { explain, next } from '.';

describe.each(demoSheets.map((s) => [`${s.id} ${s.revision}`, s] as const))(
  'demo sheet %s',
  (_name, sheet) => {
    test('passes the checks: no error, no warning', () => {
      const siblings = demoSheets.filter(
        (s) =>
          s !== sheet &&
          s.kind === sheet.kind &&
          s.applies.engine === sheet.applies.engine &&
          s.status === 'approved',
      );
      expect(checkSheet(sheet, siblings).filter((f) => f.level !== 'note')).toEqual([]);
      expect(sheet.invented).toBe(true);
    });

    test('is driven to its end by an obedient technician, in every part', () => {
      const parts = [
        'procedure',
        ...(sheet.takeApart.length > 0 ? ['takeApart'] : []),
        ...sheet.after.flatMap((a) => (a.stages ? [a.id] : [])),
      ];
      for (const part of parts) {
        const t = new Technician(sheet, undefined, {
          part,
          ...(sheet.instances ? { instance: sheet.instances.labels[0] ?? '' } : {}),
        });
        for (let due = next(t.state); due.kind !== 'done'; due = next(t.state)) {
          expect(explain(t.state.sheet, due)).toMatch(/^\S.+/);
          t.step();
        }
        expect(t.state.status).toBe('finished');
        expect(t.state.progress.deviations.filter((d) => d.kind !== 'byFeel')).toEqual([]);
      }
    });
  },
);
