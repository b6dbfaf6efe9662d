import type { Position } from '../joint';
import {
  SHEET_VERSION,
  type Group,
  type Part,
  type Repeat,
  type Sheet,
  type Stage,
} from '../procedure';
import { type SheetPlan, rank, SheetParts, type Block, nm } from './sheetParts';

export function buildSheet(plan: SheetPlan): Sheet {
  const made = new Made(plan);
  const order = [...new Set(plan.blocks)].sort((a, b) => rank(a) - rank(b));
  // Once an angle is begun only what fits behind it follows.
  const angled = order.findIndex((b) => rank(b) >= 8);
  for (const block of [
    ...order.slice(0, angled < 0 ? order.length : angled),
    'once' as const,
    ...order.slice(angled < 0 ? order.length : angled),
  ])
    made.add(block);
  return made.sheet();
}

/** Puts stages together one after the other, each torque above the last. */
class Made extends SheetParts {
  add(block: Block): void {
    const k = this.stages.length;
    const settled: Repeat = { kind: 'untilSettled', maxPasses: 3, movedMoreThanDeg: 3 };
    const make: Record<Block, () => void> = {
      handStart: () => void this.stage('handStart', this.order(k)),
      runDown: () => void this.stage('runDown'),
      drawDown: () =>
        this.drawn(
          () =>
            void this.stage('drawDown', {
              ...this.order(k),
              repeat: { kind: 'untilSeated', maxRounds: 1 + ((this.plan.orders[1] ?? 0) % 2) },
            }),
        ),
      draw: () =>
        this.drawn(
          () =>
            void this.stage('draw', {
              target: { value: 2, unit: 'mm' },
              tolerance: { plus: 1, minus: 1 },
            }),
        ),
      trial: () => this.trial(k),
      oldPart: () => this.oldPart(),
      settle: () =>
        void this.stage('torque', {
          ...this.order(k),
          target: this.next(),
          purpose: 'settling',
          repeat: settled,
        }),
      passes: () =>
        void this.stage('torque', {
          target: this.next(),
          purpose: 'snug',
          repeat: { kind: 'passes', passes: 2 },
        }),
      once: () =>
        void this.stage('torque', { ...this.order(k + 1), target: this.next(), purpose: 'snug' }),
      range: () => {
        const low = this.next();
        this.torque += 4;
        this.stage('torque', {
          target: { min: low.value, max: this.torque, unit: 'N.m' },
          purpose: 'snug',
        });
      },
      lag: () => void this.stage('torque', { target: this.next(), purpose: 'snug', mayLag: true }),
      check: () => this.onTight(() => void this.stage('check', { target: nm(this.torque) })),
      ease: () => this.onTight(() => void this.stage('loosen', { loosen: 'crack' })),
      slacken: () => this.onTight(() => this.loosen('free', k)),
      back: () => this.onTight(() => this.loosen({ degrees: 180 }, k)),
      wait: () => void this.stage('wait', { waitUntil: { minutes: 5 } }),
      warm: () => void this.stage('wait', { waitUntil: { celsius: 40, is: 'atMost' } }),
      hold: () => void this.stage('hold', this.stages[0] ? { ifNot: this.stages[0].id } : {}),
      leadHold: () => void this.stage('hold', { release: 'lead' }),
      crank: () => void this.stage('turnCrank', { crankDeg: 90 }),
      do: () => {
        const id = `do${k}`;
        const stage = this.stage('do', { step: id });
        this.step(id, 'place', { due: { when: 'before', stage: stage.id } });
      },
      angle: () => this.angle({ tolerance: { plus: 5, minus: 5 } }),
      angleFree: () => this.angle({ entersYield: false }),
      each: () => {
        const parts: Part[] = [
          { id: 'torque', action: 'torque', target: this.next() },
          {
            id: 'turn',
            action: 'angle',
            target: { value: 45, unit: 'deg' },
            tolerance: { plus: 5, minus: 5 },
          },
        ];
        this.stage('each', { each: parts });
        this.isAngled = true;
      },
      stretch: () => {
        this.stage('stretch', {
          target: { value: 0.15, unit: 'mm' },
          tolerance: { plus: 0.02, minus: 0.02 },
          fallback: this.next(),
        });
      },
      floor: () =>
        this.onTight(
          () =>
            void this.stage('check', { target: nm(Math.min(this.torque, 12)), finalTorque: true }),
        ),
      subset: () =>
        void this.stage('torque', { on: ['inner'], target: this.next(), purpose: 'snug' }),
      steps: () => this.around('place'),
      measure: () =>
        void this.step(`m${this.steps.length}`, 'measure', {
          due: { when: 'beforeFirstPull' },
          limits: {
            min: { value: 0.02, unit: 'mm' },
            max: { value: 0.06, unit: 'mm' },
            instrument: 'gauge strip',
          },
          rows: ['1', '2'],
        }),
      clock: () => this.clock('within'),
      tack: () => this.clock('notBefore'),
      ladder: () => {
        this.step(`l${k}`, 'tool', { due: { when: 'atFailure', failure: 'broke' } });
        this.step(`k${k}`, 'tool', { due: { when: 'atFailure', failure: 'broke' } });
      },
      mark: () => void this.step('stripe', 'mark', { due: { when: 'beforeFirstPull' } }),
    };
    make[block]();
  }

  private drawn(make: () => void): void {
    make();
    this.isTight = true;
  }

  private onTight(make: () => void): void {
    if (
      this.isTight &&
      this.stages.some((s) => s.action === 'torque' && s.on[0] === 'all' && !s.trial && !s.with)
    )
      make();
  }

  private loosen(loosen: Stage['loosen'], k: number): void {
    this.stage('loosen', { loosen, order: { ...this.order(k).order, reverse: true } });
    this.torque = 10;
    this.stage('torque', { target: this.next(), purpose: 'snug' });
  }

  private trial(k: number): void {
    this.stage('torque', { ...this.order(k), trial: true, target: nm(12), purpose: 'snug' });
    if (this.plan.orders[0] !== undefined && this.plan.orders[0] % 2 === 0)
      this.stage('angle', {
        trial: true,
        target: { value: 40, unit: 'deg' },
        tolerance: { plus: 5, minus: 5 },
      });
    this.stage('loosen', { trial: true, loosen: 'free' });
  }

  private oldPart(): void {
    this.stage('torque', { with: 'oldPartAsTool', target: nm(14), purpose: 'seating' });
    this.stage('swap');
  }

  private angle(over: Partial<Stage>): void {
    this.stage('angle', { target: { value: 60, unit: 'deg' }, ...over });
    this.isAngled = true;
  }

  sheet(): Sheet {
    const { plan } = this;
    const positions = placesOf(plan);
    return {
      format: 'stennet-sheet',
      v: SHEET_VERSION,
      id: 'generated',
      revision: 'A',
      title: 'Generated',
      kind: 'cylinder-head',
      invented: true,
      status: 'approved',
      applies: {
        maker: 'Corvane',
        model: 'Pell',
        engine: 'CK12',
        hardware: { origin: 'original' },
      },
      tellApart: [],
      source: {
        title: 'Generated',
        publisher: 'Corvane (invented)',
        page: '1',
        revision: '1',
        date: '2025-01-01',
        condition: 'oiled',
      },
      pattern: {
        outline: [
          [-200, -200],
          [200, -200],
          [200, 200],
          [-200, 200],
        ],
        openings: [],
        landmarks: [],
        positions,
      },
      seats: positions.map((p) => ({ id: p.label, position: p.label, group: 'bolts' })),
      groups: [groupOf(plan)],
      ...(plan.instances
        ? { instances: { kind: 'banks' as const, labels: ['left', 'right'] } }
        : {}),
      steps: this.steps,
      clocks: this.clocks,
      takeApart: [],
      stages: this.stages,
      after: this.isAngled
        ? []
        : [
            {
              id: 'later',
              kind: 'retighten',
              text: 'Again after heat',
              stages: [
                {
                  id: 'again',
                  name: 'again',
                  on: ['all'],
                  action: 'check',
                  target: nm(this.torque),
                },
              ],
            },
          ],
      requires: [],
      conflicts: [],
      cautions: ['Made up.'],
    };
  }
}

const groupOf = ({ reuse, onReplace }: SheetPlan): Group => ({
  id: 'bolts',
  name: 'Bolts',
  thread: { designation: 'M10', pitchMm: 1.5 },
  propertyClass: '10.9',
  head: 'hex',
  socket: 'hex 16 mm',
  reuse,
  compounds: [],
  friction: 'oiled',
  frictionCondition: 'engineOil',
  onReplace,
});

function placesOf({ circle, count }: SheetPlan): Position[] {
  const round = (x: number): number => Math.round(x * 10) / 10;
  return Array.from({ length: count }, (_, i) => {
    const tags = i < 2 ? { tags: ['inner'] } : { tags: ['outer'] };
    if (circle)
      return {
        label: String(i + 1),
        xMm: round(80 * Math.sin((2 * Math.PI * i) / count)),
        yMm: round(80 * Math.cos((2 * Math.PI * i) / count)),
        ...tags,
      };
    return {
      label: String(i + 1),
      xMm: Math.floor(i / 2) * 70,
      yMm: i % 2 === 0 ? 60 : 0,
      ...tags,
    };
  });
}
