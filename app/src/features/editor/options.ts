// What can be chosen, in the words it is chosen by; read at the moment, for its language.
import {
  COMPOUND_PLACES,
  compoundPlaceText,
  type Group,
  type Sheet,
  type Stage,
  type Step,
} from '@stennet/core/procedure';
import { textsOf } from '@stennet/core/language';
import { FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { MEASURE_KINDS } from '@stennet/core/measure';
import type { UnitCode } from '@stennet/core/quantity';
import { editorOptions } from '@/language/en/editorOptions';
import { text as measuringText } from '@/ui/measuring/text';

interface Option<T extends string> {
  value: T;
  text: string;
}
const text = textsOf('editorOptions', editorOptions);
const of = <T extends string>(words: Readonly<Record<T, string>>): Option<T>[] =>
  (Object.keys(words) as T[]).map((value) => ({ value, text: words[value] }));

type Orders = NonNullable<Stage['order']>['rule'] | 'inherit' | 'tapped';
type Failures = Extract<Step['due'], { when: 'atFailure' }>['failure'];
type Consequences = NonNullable<Step['answers']>[number]['then'];

export const options = {
  actions: () => of<Stage['action']>(text.actions),
  orders: () => of<Orders>(text.orders),
  purposes: () => of<NonNullable<Stage['purpose']>>(text.purposes),
  repeats: () => of<NonNullable<Stage['repeat']>['kind']>(text.repeats),
  loosens: () => of(text.loosens),
  torqueUnits: (): Option<UnitCode>[] => [
    { value: 'N.m', text: 'N·m' },
    { value: '[ft_i].[lbf_av]', text: text.unitNames.ftLb },
    { value: '[in_i].[lbf_av]', text: text.unitNames.inLb },
    { value: 'kgf.m', text: 'kgf·m' },
    { value: 'kgf.cm', text: 'kgf·cm' },
    { value: 'daN.m', text: 'daN·m' },
  ],
  lengthUnits: (): Option<'mm' | '[in_i]'>[] => [
    { value: 'mm', text: 'mm' },
    { value: '[in_i]', text: 'in' },
  ],
  heads: () => of<Group['head']>(text.heads),
  materials: () => of<NonNullable<Group['under']>>(text.materials),
  gaskets: () => of<NonNullable<Group['gasket']>>(text.gaskets),
  reuses: () => of<Group['reuse']>(text.reuses),
  replaces: () => of<NonNullable<Group['onReplace']>>(text.replaces),
  frictions: () => of<FrictionCondition>(FRICTION_TEXT),
  stepKinds: () => of<Step['kind']>(text.stepKinds),
  phases: () => of<Step['phase']>(text.phases),
  dues: () => of<Step['due']['when']>(text.dues),
  failures: () => of<Failures>(text.failureNames),
  measures: () => MEASURE_KINDS.map((value) => ({ value, text: measuringText.kinds[value].title })),
  thens: () => of<Consequences>(text.thens),
  strengths: () => of(text.strengths),
  scopes: () => of<NonNullable<Step['scope']>>(text.scopes),
  seenFroms: () => of<NonNullable<Sheet['pattern']['seenFrom']>>(text.seenFroms),
  compoundPlaces: () => COMPOUND_PLACES.map((value) => ({ value, text: compoundPlaceText(value) })),
  readyOns: () => of(text.readyOns),
  abouts: () => of(text.abouts),
  afters: () => of(text.afters),
};
