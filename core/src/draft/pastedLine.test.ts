import { type Sheet, parseLine } from '../procedure';
import { headSheet } from '../testing';
import { emptyDraft as empty } from '../testing/emptyDraft';
import { checkDraft } from './checkDraft';
import { pasteLine } from './pasteLine';

describe('a line pasted', () => {
  const paste = (draft: Sheet, line: string): Sheet => pasteLine(draft, parseLine(line).line);

  test('onto an empty draft it brings fasteners, rough places and stages that pass all checks but what a line cannot say', () => {
    const draft = paste(
      empty,
      '10 × M10×1.5 10.9 new, oiled, center-out: 27 N·m until settled; 50 N·m; +75°; +65°',
    );
    expect(draft.seats).toHaveLength(10);
    expect(draft.groups).toMatchObject([
      { id: 'bolts', reuse: 'replace', frictionCondition: 'engineOil', propertyClass: '10.9' },
    ]);
    expect(draft.stages.map((s) => s.name)).toEqual(['27 N·m', '50 N·m', '+75°', '+65°']);
    expect(
      checkDraft(draft)
        .filter((f) => f.level === 'error')
        .map((f) => f.place)
        .sort(),
    ).toEqual([
      'groups.0.socket',
      'source.condition',
      'source.page',
      'source.publisher',
      'source.revision',
      'source.title',
      'title',
    ]);
  });

  test('of two groups it makes two, apart from each other', () => {
    const draft = paste(
      empty,
      '8 × M8×1.25 8.8 reusable, dry + 4 × M6×1 8.8 reusable, dry: 20 N·m',
    );
    expect(draft.groups.map((g) => g.id)).toEqual(['bolts', 'bolts-2']);
    expect(new Set(draft.pattern.positions.map((p) => `${p.xMm} ${p.yMm}`)).size).toBe(12);
  });

  test('onto a sheet it changes what it says, and erases nothing that it cannot say', () => {
    const line = '10 × M10×1.5 10.9 new, dry, center-out: 30 N·m until settled; 50 N·m; +75°; +65°';
    const pasted = paste(headSheet, line);
    expect(pasted.stages[0]?.target).toEqual({ value: 30, unit: 'N.m' });
    expect(pasted.groups[0]).toMatchObject({
      frictionCondition: 'dry',
      friction: 'dry',
      socket: headSheet.groups[0]?.socket,
    });
    expect(pasted.steps).toEqual(headSheet.steps);
    expect(pasted.pattern).toEqual(headSheet.pattern);
    expect(
      paste(headSheet, '3 × M6×1 8.8 reusable, dry + 2 × M8×1.25 8.8 reusable, dry: 9 N·m').groups,
    ).toEqual(headSheet.groups);
  });
});
