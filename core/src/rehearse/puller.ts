import { convert, type Quantity } from '../quantity';
import {
  evolve,
  next,
  type FailureKind,
  type Next,
  type PayloadOf,
  type PullNext,
  type RunEvent,
} from '../run';
import { Hands } from './hands';

/** What a technician may say at a pull beyond doing as told. */
export interface Said {
  moved?: boolean;
  turnedDeg?: number;
  short?: boolean;
  fails?: FailureKind;
  /** Confirm so many together, where that is allowed. */
  together?: number;
  aside?: boolean;
  insteadOf?: string;
}

/** Pulls as a technician does: one, several together, another one first. */
export class Puller extends Hands {
  protected sayPull(due: PullNext, said: Said): RunEvent {
    if (said.aside) return this.do('setAside', { fastener: due.fastener });
    if (said.fails) return this.do('failed', { fastener: due.fastener, kind: said.fails });
    if (said.short)
      return this.pull(due, {
        outcome: due.outcomes.includes('noClick') ? 'noClick' : 'stoppedShort',
      });
    if (said.together !== undefined) return this.together(due, said.together, said.moved);
    const other =
      said.insteadOf === undefined ? {} : { fastener: said.insteadOf, insteadOf: due.fastener };
    if (due.task.action === 'angle')
      return this.pull(due, {
        ...other,
        ...(said.turnedDeg === undefined
          ? {}
          : { reading: { value: said.turnedDeg, unit: 'deg' as const }, sure: true as const }),
      });
    if (due.task.action === 'stretch')
      return this.pull(due, { ...other, ...(due.target ? { reading: due.target } : {}) });
    if (!due.task.settling) return this.pull(due, other);
    const moves = said.moved ?? (due.pass === 1 && due.task.action === 'torque');
    return this.pull(due, {
      ...other,
      ...(moves
        ? { outcome: 'turned' as const }
        : { outcome: 'heldStill' as const, ...(due.mustTurn ? { looked: true as const } : {}) }),
    });
  }

  private together(due: PullNext, count: number, moved: boolean | undefined): RunEvent {
    const open = due.others.length > 0 ? [due.fastener, ...due.others] : this.openInOrder(due);
    const moves = moved ?? due.pass === 1;
    const outcome = due.task.settling
      ? moves
        ? 'turned'
        : 'heldStill'
      : (due.outcomes[0] ?? 'clicked');
    return this.do('passConfirmed', {
      stage: due.stage.id,
      pass: due.pass,
      fasteners: open.slice(0, count),
      outcome,
      puller: this.place.person,
    });
  }

  /** The next ones in order, found by asking what would come after each. */
  private openInOrder(due: PullNext): string[] {
    const open: string[] = [];
    let state = this.state;
    for (
      let due2: Next = due;
      due2.kind === 'pull' &&
      due2.stage.id === due.stage.id &&
      due2.pass === due.pass &&
      open.length < due.of;
      due2 = next(state)
    ) {
      open.push(due2.fastener);
      const said = {
        fastener: due2.fastener,
        stage: due2.stage.id,
        pass: due2.pass,
        outcome: due2.outcomes[0] ?? 'clicked',
        method: due2.tool.method,
      };
      state = evolve(state, {
        ...this.event('pulled', { ...said, verdict: 'inTolerance', core: '' }),
      });
    }
    return open;
  }

  protected toolFor(
    target: Quantity,
    isAngle: boolean,
  ): Pick<PayloadOf<'wrenchChosen'>, 'method' | 'wrench'> {
    if (isAngle) return { method: 'angleGauge', wrench: null };
    const wrenches = this.place.wrenches.filter((w) => w.calibratedUntil > '2027');
    const fits = wrenches.find(
      (w) => convert(target, w.unit) >= w.min && convert(target, w.unit) <= w.max,
    );
    return { method: 'click', wrench: fits ?? null };
  }
}
