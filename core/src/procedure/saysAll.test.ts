import { studAndNut, writtenOut } from '../draft';
import { judgeMeasured } from '../measure';
import { chosenBefore } from '../prepare';
import { createFormatter } from '../quantity';
import { demoSheet, headSheet, Technician } from '../testing';
import { checkSheet, lineOf, parseLine, printLine, stageMore, stepMore } from '.';
import type { Sheet } from './sheet';

const format = createFormatter({
  locale: 'en-US',
  timeZone: 'UTC',
  paper: 'Letter',
  torqueUnit: 'N.m',
});
const range = (over: object = {}) => ({ min: 45, max: 50, unit: 'N.m' as const, ...over });
/** Three stages: a range, loosened, and torqued to the same value again. */
const twice: Sheet = {
  ...headSheet,
  steps: [],
  clocks: [],
  groups: headSheet.groups.map((g) => ({ ...g, reuse: 'reuse' as const })),
  stages: [
    { id: 'first', name: 'first', on: ['all'], action: 'torque', target: range() },
    { id: 'back', name: 'back', on: ['all'], action: 'loosen', loosen: 'free' },
    {
      id: 'again',
      name: 'again',
      on: ['all'],
      action: 'torque',
      target: range(),
      sameAs: 'first',
    },
  ],
};
const withStage = (at: number, over: object): Sheet => ({
  ...twice,
  stages: twice.stages.map((s, i) => (i === at ? { ...s, ...over } : s)),
});
const errors = (sheet: Sheet) =>
  checkSheet(sheet)
    .filter((f) => f.level === 'error')
    .map((f) => f.place);

describe('a value that is chosen once', () => {
  test('is asked for once and used at both stages', () => {
    const t = new Technician(twice);
    t.until((d) => d.kind === 'chooseValue');
    t.do('valueChosen', { stage: 'first', value: { value: 47, unit: 'N.m' } });
    t.finish();
    const chosen = t.state.events.toArray().filter((e) => e.type === 'valueChosen');
    expect(chosen).toHaveLength(1);
    const pulled = t.state.events
      .toArray()
      .flatMap((e) =>
        e.type === 'pulled' && e.payload.stage === 'again' ? [e.payload.reading?.value ?? 47] : [],
      );
    expect(new Set(pulled)).toEqual(new Set([47]));
  });

  test('is used again in the run that comes after heat, and a value of another run is not', () => {
    const sheet: Sheet = {
      ...twice,
      stages: twice.stages.slice(0, 1),
      after: [
        {
          id: 'hot',
          kind: 'retighten',
          text: 'after heat',
          stages: [
            {
              id: 'hot',
              name: 'hot',
              on: ['all'],
              action: 'torque',
              target: range(),
              sameAs: 'first',
            },
          ],
        },
      ],
    };
    expect(errors(sheet)).toEqual([]);
    const values = { first: { value: 48, unit: 'N.m' as const } };
    const run = (part: string, instance: string | null) => ({
      part,
      instance,
      state: 'finished' as const,
      standing: { done: 0, stage: 1, values: { ...values, other: values.first } },
    });
    const at = { part: 'hot', instance: null };
    expect(chosenBefore(sheet, [run('procedure', null)], at)).toEqual(values);
    expect(chosenBefore(sheet, [run('procedure', 'left'), run('takeApart', null)], at)).toEqual({});
    expect(chosenBefore(sheet, [run('procedure', null)], { ...at, part: 'procedure' })).toEqual({});
    const t = new Technician(sheet, undefined, { part: 'hot', values });
    t.finish();
    expect(t.state.events.toArray().some((e) => e.type === 'valueChosen')).toBe(false);
  });

  test('needs an earlier stage that leaves a choice', () => {
    expect(errors(twice)).toEqual([]);
    expect(errors(withStage(2, { sameAs: 'nowhere' }))).toEqual(['stages.2.sameAs']);
    expect(errors(withStage(2, { sameAs: 'again' }))).toEqual(['stages.2.sameAs']);
    expect(errors(withStage(0, { target: { value: 47, unit: 'N.m' } }))).toEqual([
      'stages.2.sameAs',
    ]);
  });
});

test('a value recommended inside a range is said, printed and read; outside of it, it is a slip', () => {
  const sheet = withStage(0, { target: range({ recommended: 47 }) });
  expect(errors(sheet)).toEqual([]);
  expect(errors(withStage(0, { target: range({ recommended: 55 }) }))).toEqual([
    'stages.0.target.recommended',
  ]);
  const words = stageMore(sheet.stages[0] as never, sheet.stages, format);
  expect(words).toEqual(['47 N·m recommended']);
  const printed = printLine(lineOf(sheet).line);
  expect(printed).toContain('45–50 N·m recommended 47');
  expect(parseLine(printed).line.stages[0]).toMatchObject({ upTo: 50, recommended: 47 });
});

describe('several times over with loosening between', () => {
  const head = '4 × M10×1.5 10.9 reusable, oiled: ';
  test('a line writes each time out', () => {
    const short = parseLine(`${head}repeat 3 (50 N·m; back fully); 50 N·m`);
    expect(short.problems).toEqual([]);
    const round = '50 N·m; back fully; ';
    expect(printLine(short.line)).toBe(`${head}${round}${round}${round}50 N·m`);
  });

  test.each([
    'repeat (50 N·m; back fully)',
    'repeat 3 50 N·m',
    'repeat 40 (50 N·m)',
    'repeat 2 (50 N·m',
  ])('a line that doesn’t say how often, or which, is not taken: %s', (stages) =>
    expect(parseLine(`${head}${stages}`).problems).not.toEqual([]),
  );

  test('the form does the same, each time under a name of its own', () => {
    const next = writtenOut(twice.stages, 0, 1, 3);
    expect(next.map((s) => s.action)).toEqual([
      ...['torque', 'loosen', 'torque', 'loosen', 'torque', 'loosen'],
      'torque',
    ]);
    expect(new Set(next.map((s) => s.id)).size).toBe(7);
    expect(errors({ ...twice, stages: next })).toEqual([]);
  });
});

test('a stud and its nut share a place: stages that name the place mean both', () => {
  const studs = { ...(twice.groups[0] as never as object), id: 'studs', name: 'Studs' };
  const sheet = studAndNut(
    { ...twice, groups: [...twice.groups, studs as never] },
    ['1', '2'],
    'studs',
  );
  expect(sheet.seats.filter((s) => s.position === '1')).toMatchObject([
    { id: '1s', group: 'studs' },
    { id: '1n', group: twice.groups[0]?.id },
  ]);
  expect(errors(sheet)).toEqual([]);
  // Once is enough: a place that has both keeps them.
  expect(studAndNut(sheet, ['1'], 'studs')).toEqual(sheet);
});

test('a source that no sheet was written from can disagree, but it is named', () => {
  const conflict = { value: { value: 52, unit: 'N.m' as const }, why: 'Older page.' };
  expect(errors({ ...twice, conflicts: [{ ...conflict, source: 'A parts box' }] })).toEqual([]);
  expect(errors({ ...twice, conflicts: [conflict] })).toEqual(['conflicts.0.source']);
});

test('one step says all the places of its compound, and what the second person does', () => {
  const step = {
    ...(demoSheet('ob20-flywheel').steps[0] as never as object),
    compound: { kind: 'engine oil', place: 'threads' },
    alsoOn: ['under head', 'washer faces'],
    helper: 'holds the crank',
  };
  expect(stepMore(step as never)).toEqual([
    'engine oil on threads and the underside of the head, washer faces',
    'two people: holds the crank',
  ]);
});

test('a drill’s stop is judged before it goes into the hole', () => {
  const judged = (mm: number) =>
    judgeMeasured({
      what: 'stopDepth',
      unit: 'mm',
      uncertainty: 0.2,
      limits: { min: 24, max: 25 },
      rows: [{ row: 'drill', values: [mm] }],
    }).verdict;
  expect([24.5, 25, 26].map(judged)).toEqual(['pass', 'marginal', 'fail']);
});
