// Judges made-up pulls and writes what came out to docs/TRACES.md.
//   node --import tsx bench/traces.mts [pulls of each kind and set, 24 where left out]
import fs from 'node:fs';
import {
  analyseTrace,
  classifyTrace,
  featuresOf,
  lookAtPulls,
  TRACE_CLASSES,
  variedJoint,
  variedPull,
  type TraceClass,
  type Variation,
} from '../core/src/trace';
import { randomFrom } from '../core/src/trace/simulate/random';

const each = Number(process.argv[2] ?? 24);
/** Sound ones for each of a fault; more of them are only counted for rare false alarms. */
const SOUND_TIMES = 4;
const RARE_TIMES = 16;
/** Beyond every seed that a rule was chosen on. */
const SEED = 40_000_000;
const plain = { begins: 'loose', hz: 100, keeps: null, noise: 1 } as const;
const SETS: readonly (readonly [string, Partial<Variation>])[] = [
  ['torque, from the run-down on', { ...plain, kind: 'torque' }],
  ['torque, then angle in one pull', { ...plain, kind: 'torqueThenAngle' }],
  ['torque, from snug', { ...plain, kind: 'torqueFromSnug' }],
  ['angle alone, from snug', { ...plain, kind: 'angleOnly' }],
  ['torque, heard from 20° before snug', { ...plain, kind: 'torque', begins: 'late' }],
  [
    'torque and angle, heard from 20° before snug',
    { ...plain, kind: 'torqueThenAngle', begins: 'late' },
  ],
  ['20 Hz', { ...plain, kind: 'torqueThenAngle', hz: 20 }],
  ['50 Hz', { ...plain, kind: 'torqueThenAngle', hz: 50 }],
  ['200 Hz', { ...plain, kind: 'torqueThenAngle', hz: 200 }],
  ['thinned to 240 samples', { ...plain, kind: 'torqueThenAngle', keeps: 240 }],
  ['2.5 times the noise', { ...plain, kind: 'torqueThenAngle', noise: 2.5 }],
];
const NEIGHBOURS = SETS.filter(([name]) => !/50|200/.test(name));

/** What a pull of this kind can show at all. */
function shown({ kind }: Partial<Variation>): TraceClass[] {
  const isTight = kind === 'torqueFromSnug' || kind === 'angleOnly';
  const isAngle = kind === 'torqueThenAngle' || kind === 'angleOnly';
  return TRACE_CLASSES.filter(
    (c) => !(c === 'cross_thread' && isTight) && !(c === 'reused_yielded' && !isAngle),
  );
}

interface Score {
  all: number;
  right: number;
  named: number;
  sound: number;
  flagged: number;
  faults: number;
  missed: number;
}
const percent = (part: number, of: number): string =>
  of === 0 ? '–' : `${((100 * part) / of).toFixed(1)}%`;

function alone(
  name: string,
  only: Partial<Variation>,
  at: number,
): { score: Score; matrix: Map<string, Map<string, number>> } {
  const score: Score = { all: 0, right: 0, named: 0, sound: 0, flagged: 0, faults: 0, missed: 0 };
  const matrix = new Map<string, Map<string, number>>();
  for (const is of shown(only)) {
    const row = new Map<string, number>();
    matrix.set(is, row);
    // Sound ones are what a shop sees all day.
    const count = is === 'ok' ? RARE_TIMES * each : each;
    for (let i = 0; i < count; i += 1) {
      const seed = SEED + at * 1_000_000 + TRACE_CLASSES.indexOf(is) * 10_000 + i;
      const pull = variedPull(seed, is, only);
      const { normal } = randomFrom(seed + 1);
      // What is known of a joint is never quite right.
      const joint = {
        ...pull.joint,
        gradientNmPerDeg: pull.joint.gradientNmPerDeg * (1 + 0.04 * normal()),
      };
      const { findings, work } = analyseTrace(pull.samples, joint);
      const found = classifyTrace(findings, featuresOf(findings, work, joint), joint);
      row.set(found.is, (row.get(found.is) ?? 0) + 1);
      if (is === 'ok') score.sound += 1;
      else score.faults += 1;
      if (is === 'ok' && found.is !== 'ok') score.flagged += 1;
      if (i >= SOUND_TIMES * each) continue;
      score.all += 1;
      if (found.is === is) score.right += 1;
      if (found.is === is || found.mayBe.includes(is)) score.named += 1;
      if (is !== 'ok' && found.is === 'ok') score.missed += 1;
    }
  }
  console.log(
    name,
    percent(score.right, score.all),
    percent(score.flagged, score.sound),
    percent(score.missed, score.faults),
  );
  return { score, matrix };
}

function beside(name: string, only: Partial<Variation>, says: boolean): Score {
  const score: Score = { all: 0, right: 0, named: 0, sound: 0, flagged: 0, faults: 0, missed: 0 };
  const joints = Math.max(1, Math.round(each / 4));
  for (const is of shown(only))
    for (let i = 0; i < joints; i += 1) {
      const { pulls, faulty } = variedJoint(
        SEED + TRACE_CLASSES.indexOf(is) * 1000 + i,
        is,
        says,
        only,
      );
      for (const { id, look } of lookAtPulls(pulls)) {
        if (!look) continue;
        score.all += 1;
        const truth = id === faulty ? is : 'ok';
        if (look.is === truth) score.right += 1;
        if (truth === 'ok') score.sound += 1;
        else score.faults += 1;
        if (truth === 'ok' && look.is !== 'ok') score.flagged += 1;
        if (truth !== 'ok' && look.is === 'ok') score.missed += 1;
      }
    }
  console.log(
    name,
    says ? 'says' : 'does not say',
    percent(score.flagged, score.sound),
    percent(score.missed, score.faults),
  );
  return score;
}

const SHORT: Record<TraceClass, string> = {
  ok: 'sound',
  cross_thread: 'crossed',
  bottoming: 'bottom',
  liquid_lock: 'liquid',
  strip: 'strip',
  stick_slip: 'stick',
  reused_yielded: 'reused',
  wrong_lube: 'friction',
  angle_slip: 'slip',
};
function table(matrix: Map<string, Map<string, number>>): string {
  const head = `| it was \\ it was called | ${TRACE_CLASSES.map((c) => SHORT[c]).join(' | ')} |`;
  const rows = [...matrix].map(
    ([is, row]) =>
      `| ${SHORT[is as TraceClass]} | ${TRACE_CLASSES.map((c) => row.get(c) ?? '').join(' | ')} |`,
  );
  return [head, `|---|${TRACE_CLASSES.map(() => '--:').join('|')}|`, ...rows].join('\n');
}

const found = SETS.map(([name, only], at) => ({ name, ...alone(name, only, at) }));
const joints = NEIGHBOURS.map(([name, only]) => ({
  name,
  says: beside(name, only, true),
  silent: beside(name, only, false),
}));
const count = found.reduce((n, f) => n + f.score.all, 0);
const page = `# How well pulls are judged

Made by \`node --import tsx bench/traces.mts ${each}\`: ${count.toLocaleString('en-US')} made-up pulls of threads between M7 and M14, and joints of ten bolts
of two lengths. No real pull is among them: expect worse on real bolts. "Nothing unusual" means that no rule applied. It never proves a clamp
load. False alarms are counted on ${RARE_TIMES * each} sound pulls of each set.

## One pull, the joint's slope known to 4%

| set | right | right or named as possible | sound ones flagged | faults called sound |
|---|--:|--:|--:|--:|
${found.map(({ name, score: s }) => `| ${name} | ${percent(s.right, s.all)} | ${percent(s.named, s.all)} | ${percent(s.flagged, s.sound)} | ${percent(s.missed, s.faults)} |`).join('\n')}

## Beside its neighbors: only same group, length and stage are compared

| set | sound ones flagged, wrench says how stiff it is | … and does not | faults called sound | … and does not |
|---|--:|--:|--:|--:|
${joints.map(({ name, says, silent }) => `| ${name} | ${percent(says.flagged, says.sound)} | ${percent(silent.flagged, silent.sound)} | ${percent(says.missed, says.faults)} | ${percent(silent.missed, silent.faults)} |`).join('\n')}

## What can't be told, and why

- **Heard only from shortly before snug.** A crossed thread shows in the torque over the turns before the joint closes. They weren't heard.
  What is left is a slope that is off, which friction, a bottomed bolt or an angle gauge that slips also gives.
- **From snug on.** Fluid in the hole shows while the wrench is held still. A short pull without a pause has no such moment.
- **Angle that creeps in a short torque pull** looks like a bolt that bottoms: less turn than the torque should take. The verdict names both.
- **20 Hz.** A thread that sticks and slips does so several times between two samples.
- **A bolt that yielded before** and stops below its new yield turns like a sound one.

${found.map(({ name, matrix }) => `### ${name}\n\n${table(matrix)}`).join('\n\n')}
`;
fs.writeFileSync(new URL('../docs/TRACES.md', import.meta.url), page);
