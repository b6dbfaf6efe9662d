import { AppError } from '../errors';
import { CORE_VERSION, next, type Next, type RunEvent } from '../run';
import { valueIn, answerTo, roundsOf } from './answers';
import { START_MS } from './hands';
import { Puller, type Said } from './puller';

/** What is done beside the pulls. */
type Chore =
  | 'start'
  | 'resume'
  | 'chooseValue'
  | 'fit'
  | 'step'
  | 'neighbours'
  | 'swap'
  | 'mark'
  | 'turnCrank'
  | 'slacken'
  | 'bag'
  | 'finish'
  | 'done';

/** Drives a run with the events that a real technician's screen would make. */
export class Technician extends Puller {
  /** Another one at the same moment of the same run: states are values. */
  clone(): Technician {
    const other = new Technician(this.state.sheet, { ...this.place }, this.begin);
    other.state = this.state;
    other.made = this.made;
    other.clock = this.clock;
    return other;
  }

  /**
   * One step as `next` asks for it. Settling bolts move in the first pass and hold still from the
   * second.
   */
  step(said: Said = {}): RunEvent | null {
    try {
      return this.asAsked(said);
    } catch (error) {
      // Too late: cleaned off, and that step begun again.
      if (error instanceof AppError && error.code === 'CLOCK_PASSED')
        return this.do('overran', { clock: String(error.params.clock) });
      throw error;
    }
  }

  private asAsked(said: Said): RunEvent | null {
    const due = next(this.state);
    switch (due.kind) {
      case 'start':
        return this.start();
      case 'resume':
        return this.do('resumed', {});
      case 'chooseValue':
        return this.do('valueChosen', {
          stage: due.stage.id,
          ...(due.part ? { part: due.part.id } : {}),
          value: valueIn(due.part ?? due.stage),
        });
      case 'fit':
        return this.do('fitted', {
          fasteners: due.fasteners.map((fastener) => ({ fastener, condition: 'new' as const })),
        });
      case 'step':
        return this.do('stepDone', {
          step: due.step.id,
          ...(due.also.length > 0 ? { also: due.also.map((s) => s.id) } : {}),
          ...answerTo(due.step),
        });
      case 'neighbours':
        return this.do('stepDone', { step: 'neighbours', fasteners: [...due.fasteners] });
      case 'swap':
        return this.do('swapped', {
          fastener: due.fastener,
          replacement: due.replacement,
          condition: 'new',
        });
      case 'mark':
        return this.do('stepDone', { step: 'mark', fasteners: [...due.fasteners] });
      case 'turnCrank':
        return this.do('stepDone', { step: due.stage.id });
      case 'slacken':
        return this.do('slackened', { fasteners: [...due.fasteners] });
      case 'bag':
        return this.do('bagged', { fasteners: [...due.fasteners], bag: 'Board A' });
      case 'finish':
        return this.do('finished', {});
      case 'done':
        return null;
      default:
        return this.work(due, said);
    }
  }

  /** With a tool in hand, and what stops it. */
  private work(due: Exclude<Next, { kind: Chore }>, said: Said): RunEvent {
    switch (due.kind) {
      case 'chooseTool':
        return this.do('wrenchChosen', {
          stage: due.stage.id,
          ...(due.task.part ? { part: due.task.part.id } : {}),
          ...this.toolFor(due.target, due.task.action === 'angle'),
        });
      case 'setTool':
        return this.do('wrenchSet', {
          stage: due.stage.id,
          ...(due.task.part ? { part: due.task.part.id } : {}),
          setting: due.setting,
        });
      case 'pull':
        return this.sayPull(due, said);
      case 'round':
        return this.round(due, said.moved === true);
      case 'wait':
        return this.waited(due);
      case 'waitClock':
        this.clock = Math.max(this.clock, (Date.parse(due.running.limitAt) - START_MS) / 1000);
        return this.do('waited', { clock: due.running.clock.id });
      case 'hold':
        return this.answerHold(due);
      case 'reconcile':
        return this.do('reconciled', {
          stage: due.stage.id,
          pass: due.pass,
          fasteners: due.fasteners.map((fastener) => ({
            fastener,
            found: due.believedTurned.includes(fastener)
              ? ('turned' as const)
              : ('notTurned' as const),
          })),
        });
    }
  }

  private round(due: Extract<Next, { kind: 'round' }>, holdsOff: boolean): RunEvent {
    const target = due.stage.target && 'value' in due.stage.target ? { gap: due.stage.target } : {};
    const seated =
      !holdsOff &&
      (due.stage.action !== 'drawDown' || due.round >= 3 || due.round >= roundsOf(due.stage));
    return this.do('roundDone', {
      stage: due.stage.id,
      round: due.round,
      seated,
      ...(seated ? target : { notSeated: [...due.fasteners].slice(0, 1) }),
    });
  }

  private waited(due: Extract<Next, { kind: 'wait' }>): RunEvent {
    const until = due.stage.waitUntil;
    if (due.until) this.clock = Math.max(this.clock, (Date.parse(due.until) - START_MS) / 1000);
    return this.do('waited', {
      stage: due.stage.id,
      ...(until && 'celsius' in until ? { celsius: until.celsius } : {}),
    });
  }

  private answerHold(due: Extract<Next, { kind: 'hold' }>): RunEvent {
    const { ways, hold } = due;
    if (ways.includes('passed')) return this.do('held', { hold: due.stage.id, decision: 'passed' });
    if (ways.includes('restart') && due.restart && hold.kind !== 'failed')
      return this.do('restarted', { stage: due.restart, slackened: true });
    if (ways.includes('again') && hold.kind === 'failed') return this.pullAgain(due);
    if (ways.includes('redo'))
      return this.do('restarted', { fastener: due.fastener ?? '', slackened: true });
    if (ways.includes('replace'))
      return this.do('swapped', {
        fastener: due.fastener ?? '',
        replacement: due.replacement ?? '',
        condition: 'new',
      });
    if (hold.kind === 'claim')
      return this.do('held', { hold: hold.claim.event, decision: 'reallyDone' });
    const about = hold.kind === 'notCovered' ? { fastener: hold.fastener } : {};
    return this.lead({
      kind: 'release',
      hold: due.stage.id,
      decision: hold.kind === 'replaced' ? 'single' : 'passed',
      ...about,
    });
  }

  private pullAgain(due: Extract<Next, { kind: 'hold' }>): RunEvent {
    return this.do('pulled', {
      fastener: due.fastener ?? '',
      stage: due.stage.id,
      pass: this.state.progress.pass,
      outcome: 'done',
      method: 'byHand',
      verdict: 'inTolerance',
      core: CORE_VERSION,
    });
  }

  /** To the end, as told; answers the events it made. */
  finish(most = 3000): RunEvent[] {
    const events: RunEvent[] = [];
    for (let i = 0; i < most; i += 1) {
      const event = this.step();
      if (!event) return events;
      events.push(event);
    }
    throw new Error(
      `the run does not come to its end; next is ${JSON.stringify(next(this.state)).slice(0, 400)}`,
    );
  }

  /** As told until a certain kind of thing is due. */
  until(reached: (due: Next) => boolean): Next {
    for (let i = 0; i < 3000; i += 1) {
      const due = next(this.state);
      if (reached(due)) return due;
      if (!this.step()) break;
    }
    throw new Error('it never came');
  }
}
