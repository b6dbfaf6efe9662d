import { textsOf } from '../language';
import { readyChecks as english } from '../language/en/readyChecks';
import type { Step } from './step';

const text = textsOf('readyChecks', english);

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

/** In the language of the moment: the texts become the sheet’s own. */
export const readyChecks = (): readonly ReadyCheck[] => [...checksOfFaces(), ...checksOfParts()];

const checksOfFaces = (): readonly ReadyCheck[] => [
  check('surfaces', text.surfaces.name, 'clean', text.surfaces.text, [
    { text: text.surfaces.good, then: 'goOn' },
    { text: text.surfaces.residue, then: 'clean' },
    { text: text.surfaces.scored, then: 'machine' },
  ]),
  check('dowels', text.dowels.name, 'inspect', text.dowels.text, [
    { text: text.dowels.good, then: 'goOn' },
    { text: text.dowels.missing, then: 'replace' },
    { text: text.dowels.bent, then: 'replace' },
  ]),
  check('plugs', text.plugs.name, 'inspect', text.plugs.text, [
    { text: text.plugs.good, then: 'goOn' },
    { text: text.plugs.proud, then: 'machine' },
  ]),
  check('pan-lip', text.panLip.name, 'inspect', text.panLip.text, [
    { text: text.panLip.good, then: 'goOn' },
    { text: text.panLip.proud, then: 'look' },
    { text: text.panLip.bent, then: 'replace' },
  ]),
  check('seal', text.seal.name, 'inspect', text.seal.text, [
    { text: text.seal.good, then: 'goOn' },
    { text: text.seal.wet, then: 'replace' },
    { text: text.seal.groove, then: 'look' },
  ]),
  check('lobes', text.lobes.name, 'inspect', text.lobes.text, [
    { text: text.lobes.good, then: 'goOn' },
    { text: text.lobes.scored, then: 'replace' },
    { text: text.lobes.worn, then: 'look' },
  ]),
  check('followers', text.followers.name, 'inspect', text.followers.text, [
    { text: text.followers.good, then: 'goOn' },
    { text: text.followers.worn, then: 'replace' },
    { text: text.followers.cracked, then: 'look' },
  ]),
];

const checksOfParts = (): readonly ReadyCheck[] => [
  check('caps', text.caps.name, 'inspect', text.caps.text, [
    { text: text.caps.good, then: 'goOn' },
    { text: text.caps.swapped, then: 'stop' },
  ]),
  check(
    'shells',
    text.shells.name,
    'inspect',
    text.shells.text,
    [
      { text: text.shells.good, then: 'goOn' },
      { text: text.shells.scored, then: 'replace' },
      { text: text.shells.blue, then: 'machine' },
    ],
    [text.shells.upper, text.shells.lower],
  ),
  check('sensor-ring', text.sensorRing.name, 'inspect', text.sensorRing.text, [
    { text: text.sensorRing.good, then: 'goOn' },
    { text: text.sensorRing.dirty, then: 'clean' },
    { text: text.sensorRing.tooth, then: 'replace' },
  ]),
  check('disc-side', text.discSide.name, 'place', text.discSide.text, [
    { text: text.discSide.good, then: 'goOn' },
    { text: text.discSide.wrong, then: 'stop' },
  ]),
  check('gasket-bank', text.gasketBank.name, 'place', text.gasketBank.text, [
    { text: text.gasketBank.good, then: 'goOn' },
    { text: text.gasketBank.wrong, then: 'stop' },
  ]),
  trap('lower-hole', text.lowerHole.name, text.lowerHole.text),
  check('clocking', text.clocking.name, 'place', text.clocking.text, [
    { text: text.clocking.good, then: 'goOn' },
    { text: text.clocking.wrong, then: 'stop' },
  ]),
];
