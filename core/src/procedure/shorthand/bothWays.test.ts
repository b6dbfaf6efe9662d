import { pasteLine, newDraft } from '../../draft';
import { lineOf, parseLine, printLine } from '..';

/**
 * Procedures of the trade as a lead types them, and the stages that they come to: value, unit, what
 * is done, and on which. Each is written as a line and as a form; both are one sheet.
 */
const TYPED: readonly (readonly [string, readonly string[]])[] = [
  [
    '10 x M10x1.5 10.9 new, oiled, centre-out: 27 Nm; check 27 Nm; +75 deg; +65 deg',
    ['torque 27 N.m', 'check 27 N.m', 'angle 75 deg', 'angle 65 deg'],
  ],
  [
    '8 x M11x1.5 10.9 new, oiled, centre-out: 45 N-m; +60 deg; loosen 270 deg; 45 N-m; +60 deg',
    ['torque 45 N.m', 'angle 60 deg', 'loosen 270', 'torque 45 N.m', 'angle 60 deg'],
  ],
  [
    '6 x M8x1.25 8.8 reusable, dry, star: hand tight; 8 N·m; then 18 N·m; then 25 N·m',
    ['handStart', 'torque 8 N.m', 'torque 18 N.m', 'torque 25 N.m'],
  ],
  [
    '8 x M10x1 10.9 new, locker, cross: 30 Nm; back off fully; 60 Nm twice; +30 deg',
    ['torque 30 N.m', 'loosen free', 'torque 60 N.m', 'angle 30 deg'],
  ],
  [
    '12 x 3/8-16 SAE 8 reusable, oiled, centre-out: 15 ft-lbs; 30 ft-lbs; 35 ft•lb',
    ['torque 15 [ft_i].[lbf_av]', 'torque 30 [ft_i].[lbf_av]', 'torque 35 [ft_i].[lbf_av]'],
  ],
  [
    '17 x M6x1 8.8 reusable, dry, as listed: 95 in-lbs; again 95 in-lbs',
    ['torque 95 [in_i].[lbf_av]', 'torque 95 [in_i].[lbf_av]'],
  ],
  [
    '6 x M10x1.5 8.8 reusable, dry, star: 25 Nm; 45 Nm; again',
    ['torque 25 N.m', 'torque 45 N.m', 'torque 45 N.m'],
  ],
  [
    '4 x M9x1 10.9 new, oiled, as listed: each bolt: 24 Nm then +75 deg',
    ['each torque 24 N.m, angle 75 deg'],
  ],
  [
    '1 x M16x1.5 10.9 new, oiled: 120 Nm; hold “crank lock in”; +90 deg; +90 deg',
    ['torque 120 N.m', 'hold', 'angle 90 deg', 'angle 90 deg'],
  ],
  [
    '4 x M12x1.75 10.9 new, oiled + 6 x M8x1.25 8.8 reusable, dry “Outer” as outer: 40 Nm; +90 deg; outer 20 Nm',
    ['torque 40 N.m', 'angle 90 deg', 'torque 20 N.m on outer'],
  ],
  [
    '5 x M14x1.5 10.9 reusable, dry, star: snug 30 Nm; wait 10 min; 110–120 N·m recommended 115',
    ['torque 30 N.m snug', 'wait 10', 'torque 110-120 (115) N.m'],
  ],
  [
    '4 x M10x1.25 10.9 by length, oiled, cross: repeat 2 (35 Nm; back fully); stretch 0.14 mm ±0.01',
    ['torque 35 N.m', 'loosen free', 'torque 35 N.m', 'loosen free', 'stretch 0.14 mm'],
  ],
  [
    '10 x M8x1.25 8.8 own holes, anti-seize, center-out: settling 20 N·m until settled; 25 N·m; floor 25 N·m',
    ['torque 20 N.m settling', 'torque 25 N.m', 'check 25 N.m floor'],
  ],
];

const draft = newDraft({
  id: 'typed',
  maker: 'Ostrel',
  model: 'Brenna',
  engine: 'OB20',
  kind: 'cylinder-head',
  title: 'Typed',
  today: '2026-11-30',
});

interface Said {
  action: string;
  target?:
    | { value: number; unit: string }
    | { min: number; max: number; unit: string; recommended?: number };
  loosen?: unknown;
  each?: readonly Said[];
  waitUntil?: unknown;
  purpose?: string;
  finalTorque?: boolean;
  on?: readonly string[];
}
function said(s: Said): string {
  const { target, loosen } = s;
  const value = !target
    ? ''
    : 'value' in target
      ? `${target.value} ${target.unit}`
      : `${target.min}-${target.max}${target.recommended ? ` (${target.recommended})` : ''} ${target.unit}`;
  const far =
    loosen && typeof loosen === 'object' ? (loosen as { degrees: number }).degrees : loosen;
  const minutes = (s.waitUntil as { minutes?: number } | undefined)?.minutes;
  return [
    s.action,
    s.each?.map(said).join(', '),
    value,
    far,
    minutes,
    s.purpose,
    s.finalTorque ? 'floor' : '',
    s.on && s.on[0] !== 'all' ? `on ${s.on.join()}` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

test.each(TYPED)('%s', (line, stages) => {
  const read = parseLine(line);
  expect(read.problems).toEqual([]);
  const sheet = pasteLine(draft, read.line);
  expect(sheet.stages.map(said)).toEqual(stages);
  // Written again from the form, and read once more: the same sheet.
  const printed = printLine(lineOf(sheet).line);
  const again = parseLine(printed);
  expect(again.problems).toEqual([]);
  expect(pasteLine(draft, again.line)).toEqual(sheet);
  expect(sheet.groups.map((g) => sheet.seats.filter((s) => s.group === g.id).length)).toEqual(
    read.line.groups.map((g) => g.count),
  );
});
