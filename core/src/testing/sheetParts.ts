import fc from 'fast-check';
import type { Group, Stage, Step, Clock, Order } from '../procedure';

/**
 * A sheet in a few choices: small to print when a test fails. `buildSheet` makes a valid sheet of
 * any plan, so that the properties run over every action, order, repeat and clock that the language
 * has.
 */

export interface SheetPlan {
  circle: boolean;
  count: number;
  reuse: Group['reuse'];
  onReplace: 'single' | 'redo' | 'lead';
  blocks: readonly Block[];
  orders: readonly number[];
  instances: boolean;
}

export const BLOCKS = [
  'handStart',
  'runDown',
  'drawDown',
  'draw',
  'trial',
  'oldPart',
  'settle',
  'passes',
  'once',
  'range',
  'lag',
  'check',
  'ease',
  'slacken',
  'back',
  'wait',
  'warm',
  'hold',
  'leadHold',
  'crank',
  'do',
  'angle',
  'angleFree',
  'each',
  'stretch',
  'floor',
  'subset',
  'steps',
  'measure',
  'clock',
  'tack',
  'ladder',
  'mark',
] as const;

export type Block = (typeof BLOCKS)[number];

export const planArbitrary: fc.Arbitrary<SheetPlan> = fc.record({
  circle: fc.boolean(),
  count: fc.constantFrom(4, 4, 5, 6, 6, 8, 9),
  reuse: fc.constantFrom('replace', 'replace', 'reuse', 'reuse-in-place'),
  onReplace: fc.constantFrom('single', 'redo', 'lead'),
  blocks: fc.array(fc.constantFrom(...BLOCKS), { minLength: 2, maxLength: 7 }),
  orders: fc.array(fc.nat(99), { minLength: 6, maxLength: 6 }),
  instances: fc.boolean(),
});

/** Where a block may stand: those that need an angle's end last, those that seat first. */
const RANK: Partial<Record<Block, number>> = {
  trial: 0,
  oldPart: 1,
  handStart: 2,
  runDown: 3,
  drawDown: 4,
  draw: 4,
  angle: 8,
  angleFree: 8,
  each: 8,
  stretch: 7,
  floor: 9,
};

export const rank = (b: Block): number => RANK[b] ?? 5;
export const nm = (value: number): { value: number; unit: 'N.m' } => ({ value, unit: 'N.m' });
/** The stages, steps and clocks of a generated sheet, as they grow. */
export class SheetParts {
  protected readonly stages: Stage[] = [];
  protected readonly steps: Step[] = [];
  protected readonly clocks: Clock[] = [];
  protected torque = 10;
  protected isTight = false;
  protected isAngled = false;

  constructor(protected readonly plan: SheetPlan) {}

  protected stage(action: Stage['action'], over: Partial<Stage> = {}): Stage {
    const id = `s${this.stages.length + 1}`;
    const stage: Stage = { id, name: `${action} ${id}`, on: ['all'], action, ...over };
    this.stages.push(stage);
    return stage;
  }

  protected next(): { value: number; unit: 'N.m' } {
    this.torque += 3;
    this.isTight = true;
    return nm(this.torque);
  }

  protected order(k: number): { order: Order } {
    const { circle, count, orders } = this.plan;
    const rules: Order['rule'][] = circle
      ? [
          'ring',
          'star',
          'listed',
          'any',
          ...(count % 2 === 0 ? (['cross'] as const) : []),
          ...(count % 3 === 0 ? (['thirds'] as const) : []),
        ]
      : ['centreOut', 'spiral', 'alternating', 'pairs', 'listed', 'any'];
    const pick = orders[k % orders.length] ?? 0;
    const rule = rules[pick % rules.length] ?? 'listed';
    return { order: { rule, ...(pick > 70 ? { reverse: true } : {}) } };
  }

  protected step(id: string, kind: Step['kind'], over: Pick<Step, 'due'> & Partial<Step>): Step {
    const step: Step = { id, kind, phase: 'place', text: `${kind} ${id}`, ...over };
    this.steps.push(step);
    return step;
  }

  protected around(kind: Step['kind']): void {
    const last = this.stages.at(-1);
    const due: Step['due'] = last ? { when: 'after', stage: last.id } : { when: 'beforeFirstPull' };
    const n = this.steps.length;
    this.step(`a${n}`, kind, { due });
    this.step(`b${n}`, 'clean', { due });
    this.step(`c${n}`, 'check', {
      due,
      answers: [
        { text: 'good', then: 'goOn' },
        { text: 'bad', then: 'clean' },
      ],
    });
    this.step(`d${n}`, 'place', { due, covers: ['inner'] });
  }

  protected clock(kind: Clock['kind']): void {
    const k = this.steps.length;
    const apply = this.step(`apply${k}`, 'apply', {
      due: { when: 'beforeFirstPull' },
      compound: { kind: 'gasket sealant', place: 'gasket face' },
      noClockPublished: true,
    });
    const place = this.step(`place${k}`, 'place', { due: { when: 'beforeFirstPull' } });
    this.clocks.push({
      id: `clock${k}`,
      kind,
      from: { step: apply.id },
      to: { step: place.id },
      minutes: 5,
      text: kind === 'within' ? 'open time' : 'tack time',
    });
  }
}
