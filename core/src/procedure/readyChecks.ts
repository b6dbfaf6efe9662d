import type { Step } from './step';

/**
 * A check that many sheets need: put in as it stands, then changed to the joint's own words. From
 * engineering practice.
 */
export interface ReadyCheck {
  id: string;
  name: string;
  step: Pick<Step, 'kind' | 'phase' | 'text' | 'answers' | 'rows'>;
}
type Answers = NonNullable<Step['answers']>;

const check = (
  id: string,
  name: string,
  phase: Step['phase'],
  text: string,
  answers: Answers,
  rows?: string[],
): ReadyCheck => ({
  id,
  name,
  step: { kind: 'check', phase, text, answers, ...(rows ? { rows } : {}) },
});
const trap = (id: string, name: string, text: string): ReadyCheck => ({
  id,
  name,
  step: { kind: 'orderTrap', phase: 'place', text },
});

export const READY_CHECKS: readonly ReadyCheck[] = [
  check(
    'surfaces',
    'Both faces',
    'clean',
    'Both faces clean, dry and without a score that a nail catches on.',
    [
      { text: 'clean and smooth', then: 'goOn' },
      { text: 'rests of gasket', then: 'clean' },
      { text: 'scored', then: 'machine' },
    ],
  ),
  check(
    'dowels',
    'Dowels and sleeves',
    'inspect',
    'Every dowel and sleeve in its place, none bent.',
    [
      { text: 'all in', then: 'goOn' },
      { text: 'one is missing', then: 'replace' },
      { text: 'one is bent', then: 'replace' },
    ],
  ),
  check(
    'plugs',
    'Plugs below flush',
    'inspect',
    'Gallery plugs below the face: a straight-edge slides over them.',
    [
      { text: 'below the face', then: 'goOn' },
      { text: 'one stands proud', then: 'machine' },
    ],
  ),
  check(
    'pan-lip',
    'Lip of the pan',
    'inspect',
    'Lip of the pan or plate level with the block all along.',
    [
      { text: 'level', then: 'goOn' },
      { text: 'stands proud', then: 'look' },
      { text: 'bent', then: 'replace' },
    ],
  ),
  check(
    'seal',
    'Seal wet or dry',
    'inspect',
    'Seal behind the part: dry, lip whole, no groove on the shaft.',
    [
      { text: 'dry', then: 'goOn' },
      { text: 'wet', then: 'replace' },
      { text: 'groove on the shaft', then: 'look' },
    ],
  ),
  check('lobes', 'Cam lobes', 'inspect', 'Cam lobes, each one.', [
    { text: 'smooth', then: 'goOn' },
    { text: 'scored', then: 'replace' },
    { text: 'worn round', then: 'look' },
  ]),
  check('followers', 'Followers', 'inspect', 'Followers, each one: face, roller, cracks.', [
    { text: 'sound', then: 'goOn' },
    { text: 'worn', then: 'replace' },
    { text: 'cracked: check the valve timing', then: 'look' },
  ]),
  check(
    'caps',
    'Caps',
    'inspect',
    'Each cap in its own place, the right way round, marks in line.',
    [
      { text: 'all in place', then: 'goOn' },
      { text: 'one changed over', then: 'stop' },
    ],
  ),
  check(
    'shells',
    'Bearing shells',
    'inspect',
    'Shells, each side: run a nail across.',
    [
      { text: 'smooth', then: 'goOn' },
      { text: 'scored', then: 'replace' },
      { text: 'blue from heat', then: 'machine' },
    ],
    ['upper', 'lower'],
  ),
  check(
    'sensor-ring',
    'Sensor ring',
    'inspect',
    'Sensor ring: every tooth straight, none missing, clean.',
    [
      { text: 'whole', then: 'goOn' },
      { text: 'dirty', then: 'clean' },
      { text: 'a tooth is bent or missing', then: 'replace' },
    ],
  ),
  check(
    'disc-side',
    'Side of the disc',
    'place',
    'Disc with its gearbox side towards the gearbox.',
    [
      { text: 'gearbox side out', then: 'goOn' },
      { text: 'the other way round', then: 'stop' },
    ],
  ),
  check(
    'gasket-bank',
    'Gasket: side and bank',
    'place',
    'Gasket for this bank, the marked side up. Left is the driver’s left: seen from the front it is on the right.',
    [
      { text: 'this bank, this side', then: 'goOn' },
      { text: 'the other bank’s', then: 'stop' },
    ],
  ),
  trap(
    'lower-hole',
    'Hidden lower hole',
    'The lowest hole hides behind the part: look through it with a mirror before the first fastener.',
  ),
  check(
    'clocking',
    'One way round only',
    'place',
    'Pin and offset hole in line: it goes on one way only.',
    [
      { text: 'in line', then: 'goOn' },
      { text: 'it does not slide on', then: 'stop' },
    ],
  ),
];
