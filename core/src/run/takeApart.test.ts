import fc from 'fast-check';
import { orderOf } from '../procedure';
import { convert } from '../quantity';
import { demoSheet, headSheet, refusal, Technician } from '../testing';
import { next, replay, rungsOf, type Next, type PayloadOf } from '.';

const apart = (id: string, instance?: string): Technician =>
  new Technician(demoSheet(id), undefined, {
    part: 'takeApart',
    ...(instance ? { instance } : {}),
  });
const at = <K extends Next['kind']>(t: Technician, kind: K): Extract<Next, { kind: K }> => {
  const due = next(t.state);
  if (due.kind !== kind) throw new Error(`next is ${due.kind}, not ${kind}`);
  return due as Extract<Next, { kind: K }>;
};
const isStep =
  (id: string) =>
  (due: Next): boolean =>
    due.kind === 'step' && due.step.id === id;
describe('taking a gearbox off', () => {
  test('the catch bolts come out last, and not before someone wrote down what carries it', () => {
    const t = apart('ob20-bell-housing');
    const due = t.until((d) => d.kind === 'step' && d.step.kind === 'rest');
    expect(
      Object.values(t.state.progress.seats).flatMap((s) => (s.done['catch-out'] ? [s.seat] : [])),
    ).toEqual([]);
    if (due.kind !== 'step') throw new Error('no step');
    expect(refusal(() => t.do('stepDone', { step: due.step.id }))).toBe('NOTE_NEEDED');
    t.do('stepDone', { step: due.step.id, note: 'Gearbox jack, belt round it' });
    expect(at(t, 'pull')).toMatchObject({ stage: { id: 'catch-out' }, seat: '6' });
  });

  test('where each came from: every fastener in one bag, the rest asked until none is left', () => {
    const t = apart('ob20-bell-housing');
    t.until((d) => d.kind === 'bag');
    expect([...at(t, 'bag').fasteners].sort()).toEqual([
      '1/1',
      '2/1',
      '3/1',
      '4/1',
      '5/1',
      '6/1',
      '7/1',
      '8/1',
    ]);
    expect(refusal(() => t.do('bagged', { fasteners: ['1/1', '1/1'], bag: 'A' }))).toBe(
      'REQUIRES_ALL',
    );
    expect(refusal(() => t.do('finished', {}))).toBe('NOT_NEXT');
    t.do('bagged', { fasteners: ['1/1', '2/1'], bag: 'long, bag A', lengthMm: 85 });
    expect(at(t, 'bag').fasteners).toHaveLength(6);
    t.do('bagged', { fasteners: [...at(t, 'bag').fasteners], bag: 'board' });
    expect(t.state.progress.bags).toMatchObject({ '1': 'long, bag A', '5': 'board' });
    t.do('finished', {});
    expect(replay(demoSheet('ob20-bell-housing'), t.state.events)).toEqual(t.state);
  });

  test('what is asked while taking apart is not asked while tightening, and the other way round', () => {
    const steps = (t: Technician): string[] => {
      t.finish();
      return t.state.events
        .toArray()
        .flatMap((e) => (e.type === 'stepDone' ? [e.payload.step, ...(e.payload.also ?? [])] : []));
    };
    expect(steps(apart('ob20-bell-housing'))).toEqual(
      expect.arrayContaining(['harness', 'carried', 'cover']),
    );
    const tight = steps(new Technician(demoSheet('ob20-bell-housing')));
    expect(tight).toEqual(expect.arrayContaining(['dowels', 'gap', 'cover-off']));
    expect(tight).not.toContain('carried');
  });
});

describe('what goes wrong there', () => {
  test('a rounded drive has a ladder of its own; given up, the lead leaves it in and the record says so', () => {
    const t = apart('ob20-bell-housing');
    t.until((d) => d.kind === 'pull' && d.stage.id === 'out');
    const { fastener } = at(t, 'pull');
    t.step({ fails: 'driveRounded' });
    for (const rung of rungsOf(t.state.sheet, 'driveRounded')) {
      expect(at(t, 'hold').hold).toMatchObject({ rung: rung.id });
      t.do('stepDone', { step: rung.id, answer: 'didNot', fasteners: [fastener], note: 'slips' });
    }
    expect(at(t, 'hold').ways).toEqual(['again', 'statement']);
    t.lead({ kind: 'leaveOut', fastener });
    t.until((d) => d.kind === 'bag');
    expect(at(t, 'bag').fasteners).not.toContain(fastener);
    t.finish();
    expect(t.state.progress.deviations).toMatchObject([{ kind: 'leftOut', fastener }]);
  });

  test('a rung that worked ends the ladder: nothing more is tried', () => {
    const t = apart('bv48-exhaust', 'left');
    t.until((d) => d.kind === 'pull' && d.stage.id === 'off');
    t.step({ fails: 'broke' });
    t.do('stepDone', { step: 'grip', answer: 'didNot' });
    t.do('stepDone', { step: 'drill', answer: 'worked' });
    expect(at(t, 'hold')).toMatchObject({ hold: { rung: null }, ways: ['again', 'statement'] });
  });

  test('no room: the part comes off, all begins again, and the broken one is still broken until a new one is in', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull' && d.stage.id === 'snug' && d.seat === '4');
    t.step({ fails: 'broke' });
    const { hold } = at(t, 'hold');
    if (hold.kind !== 'failed') throw new Error('another hold');
    expect(at(t, 'hold').ways).not.toContain('restart');
    t.do('stepDone', {
      step: hold.rung ?? '',
      answer: 'stop',
      note: 'no room: to the machine shop',
    });
    expect(at(t, 'hold').ways).toEqual(['restart', 'replace', 'statement']);
    t.do('restarted', { stage: at(t, 'hold').restart ?? '', slackened: true });
    expect(t.state.progress.stage).toBe(0);
    expect(at(t, 'hold')).toMatchObject({
      hold: { kind: 'failed', seat: '4', failure: 'broke' },
      ways: ['replace', 'statement'],
    });
    t.finish();
    expect(t.state.progress.seats['4']?.life).toBe(2);
  });
});

describe('checks with consequences', () => {
  const rods = (): Technician => {
    const t = new Technician(demoSheet('cv30-rods'));
    t.until(isStep('shells'));
    return t;
  };
  const say = (
    t: Technician,
    answers: [string, string, string],
    more: Partial<PayloadOf<'stepDone'>> = {},
  ): unknown =>
    t.do('stepDone', {
      step: 'shells',
      answers: ['upper shell', 'lower shell', 'journal'].map((row, i) => ({
        row,
        answer: answers[i] ?? '',
      })),
      ...more,
    });

  test('one answer for each shell, and the gravest counts', () => {
    const t = rods();
    expect(
      refusal(() =>
        t.do('stepDone', { step: 'shells', answers: [{ row: 'journal', answer: 'smooth' }] }),
      ),
    ).toBe('ANSWERS_NEEDED');
    expect(refusal(() => say(t, ['smooth', 'fine', 'smooth']))).toBe('ANSWER_UNKNOWN');
    say(t, ['scored', 'smooth', 'blue from heat'], { note: 'two grooves' });
    expect(at(t, 'step')).toMatchObject({ reason: 'consequence', step: { id: 'shells' } });
    expect(t.state.progress.steps.shells).toMatchObject({
      settled: false,
      then: 'machine',
      answer: 'upper shell: scored; lower shell: smooth; journal: blue from heat',
    });
    say(t, ['smooth', 'smooth', 'smooth']);
    expect(t.state.progress.steps.shells?.settled).toBe(true);
  });

  test('continued past all the same: it waits for the lead by name', () => {
    const t = rods();
    say(t, ['scored', 'smooth', 'smooth'], { pendingLead: true });
    expect(t.state.progress.deviations).toMatchObject([
      { kind: 'outOfLimits', stage: 'shells', needsLead: true },
    ]);
  });

  test('a cam that sticks sends back over two stages and the check: all of it is done again', () => {
    const t = new Technician(demoSheet('tf25-cam-caps'));
    t.until(isStep('slack'));
    t.do('stepDone', { step: 'slack', answer: 'sticks', note: 'heavy at cap 3' });
    expect(at(t, 'slacken').fasteners).toHaveLength(10);
    t.step();
    // Slack again, they are drawn down again before the torque.
    expect(at(t, 'round')).toMatchObject({ stage: { id: 'inner-down' }, round: 1 });
    expect(t.state.progress.steps['place-outer']).toBeUndefined();
    t.finish();
    expect(t.state.status).toBe('finished');
    const pulls = t.state.events
      .toArray()
      .filter((e) => e.type === 'pulled' && e.payload.stage === 'outer-t');
    expect(pulls).toHaveLength(8);
  });
});

describe('a hold point that only the lead releases', () => {
  test('the technician cannot pass it; “it is not” by the lead goes back to the first torque', () => {
    const t = new Technician(demoSheet('cv30-head'));
    t.until((d) => d.kind === 'hold');
    expect(at(t, 'hold')).toMatchObject({ stage: { id: 'timing' }, ways: ['statement'] });
    for (const decision of ['passed', 'failed', 'pendingLead'] as const)
      expect(['NOT_NEXT', 'PENDING_NOT_ALLOWED']).toContain(
        refusal(() => t.do('held', { hold: 'timing', decision })),
      );
    t.lead({ kind: 'release', hold: 'timing', decision: 'failed' });
    expect(t.state.progress.stage).toBe(0);
    // Never a torque on a joint that is still clamped: what was last tightened comes loose first.
    const { fasteners } = at(t, 'slacken');
    expect(fasteners.slice(0, 2)).toEqual(['F2/1', 'F1/1']);
    expect(fasteners.slice(2).map((f) => f.split('/')[0])).toEqual(
      [...orderOf(t.state.sheet, 0)].reverse(),
    );
    t.step();
    expect(t.state.progress.deviations).toMatchObject([
      { kind: 'holdFailed', stage: 'timing', needsLead: false },
    ]);
    // The pins were in the way of looking: they are asked for again too.
    expect(at(t, 'step')).toMatchObject({ step: { id: 'pins' } });
    t.until((d) => d.kind === 'hold');
    t.lead({ kind: 'release', hold: 'timing', decision: 'passed' });
    t.until((d) => d.kind === 'pull' && d.stage.id === 'a1');
  });
});

describe('measured in a run', () => {
  const trial = (): Technician => {
    const t = new Technician(demoSheet('cv30-rods'));
    t.until(isStep('clearance'));
    return t;
  };
  const strip = (
    width: [number, number],
    uncertainty = 0.001,
    over: object = {},
  ): PayloadOf<'stepDone'> => ({
    step: 'clearance',
    measured: {
      what: 'strip',
      instrument: 'gauge strip',
      unit: 'mm',
      uncertainty,
      limits: {},
      rows: [{ row: 'strip', values: width }],
      strip: [
        [1, 0.076],
        [1.5, 0.051],
        [2, 0.038],
        [2.6, 0.025],
      ],
      ...over,
    },
  });

  test('the raw widths of the flattened strip, judged by the sheet’s limits whatever limits came along', () => {
    const t = trial();
    t.do('stepDone', strip([1.02, 1.0], 0.001, { limits: { min: 0, max: 1, taper: 1 } }));
    expect(at(t, 'step')).toMatchObject({ reason: 'consequence', step: { id: 'clearance' } });
    t.do('stepDone', strip([1.5, 1.55]));
    expect(t.state.progress.steps.clearance).toMatchObject({ settled: true });
  });

  test('too close to tell is no pass: measured again', () => {
    const t = trial();
    t.do('stepDone', strip([1.22, 1.22], 0.004));
    expect(at(t, 'step')).toMatchObject({ reason: 'consequence' });
  });

  test('another kind, or a place that was left out, is refused', () => {
    const t = trial();
    expect(refusal(() => t.do('stepDone', { step: 'clearance' }))).toBe('MEASUREMENTS_NEEDED');
    expect(
      refusal(() => t.do('stepDone', strip([1, 1], 0, { rows: [{ row: 'cap', values: [1, 1] }] }))),
    ).toBe('MEASUREMENTS_NEEDED');
    expect(refusal(() => t.do('stepDone', strip([1, 1], 0, { what: 'gap' })))).toBe(
      'MEASUREMENTS_NEEDED',
    );
  });

  test('inches and millimetres come to the same verdict', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 2.6, noNaN: true }),
        fc.double({ min: 1, max: 2.6, noNaN: true }),
        (a, b) => {
          const inch = (mm: number): number => convert({ value: mm, unit: 'mm' }, '[in_i]');
          const mm = strip([a, b]);
          const table = mm.measured?.strip ?? [];
          const inches = strip([inch(a), inch(b)], inch(0.001), {
            unit: '[in_i]',
            strip: table.map(([w, c]) => [inch(w), inch(c)]),
          });
          const [one, two] = [trial(), trial()];
          one.do('stepDone', mm);
          two.do('stepDone', inches);
          expect(one.state.progress.steps.clearance).toEqual(two.state.progress.steps.clearance);
        },
      ),
      { numRuns: 40, seed: 11 },
    );
  });
});
