import { AppError } from '../errors';
import { next, undoable, type Next } from '../run';
import { type Technician } from '../rehearse/technician';
import { testId } from '../rehearse/hands';
import { isRead, type Move, stripeNow } from './moves';

/** @throws AppError when it is refused */
export function perform(t: Technician, m: Move): void {
  const due = next(t.state);
  switch (m.kind) {
    case 'asTold':
      return void t.step();
    case 'moved':
      return void t.step({ moved: m.moved });
    case 'angle':
      return void t.step({ turnedDeg: m.deg });
    case 'short':
      return void t.step({ short: true });
    case 'fails':
      return void t.step({ fails: m.failure });
    case 'undo':
      return void t.do('undone', { event: undoable(t.state)?.id ?? testId(0) });
    case 'correct':
      return correct(t, m);
    case 'pause':
      return void t.do('paused', {});
    case 'takeOver':
      return takeOver(t, m.found);
    case 'nonsense':
      return nonsense(t, m.which);
    case 'together':
      return void t.step({ together: m.count });
    case 'aside':
      return void t.step({ aside: true });
    case 'another':
      return another(t, due, m.which);
    case 'added':
      return void t.do('added', { fasteners: [anyFastener(t, m.which)], action: m.action });
    case 'lead':
      return lead(t, m.which);
    case 'way':
      return way(t, due, m.which);
    case 'late':
      return t.wait(m.minutes * 60);
    case 'overran':
      return void t.do('overran', { clock: t.state.sheet.clocks[0]?.id ?? 'none' });
    case 'giveUp':
      return void t.do('failed', {
        step: due.kind === 'step' ? due.step.id : 'none',
        kind: 'stepAbandoned',
      });
    case 'defer':
      return void t.do('stepDone', {
        step: due.kind === 'step' ? due.step.id : 'none',
        deferTo: t.state.sheet.steps.at(-1)?.id ?? 'none',
      });
    case 'badAnswer':
      return badAnswer(t, due);
    case 'claims':
      return claims(t, m.which);
    case 'photo':
      return void t.do('photoAttached', { photo: 'b'.repeat(64) });
    case 'overdue':
      return overdue(t, due);
    case 'neighbour':
      return neighbour(t, due);
    case 'reading':
      return reading(t, due, m.share);
  }
}

function anyFastener(t: Technician, which: number): string {
  const seats = Object.values(t.state.progress.seats);
  const seat = seats[which % seats.length];
  return `${seat?.seat ?? ''}/${seat?.life ?? 1}`;
}

function correct(t: Technician, m: Extract<Move, { kind: 'correct' }>): void {
  const pulls = [...t.state.effective].map((c) => c.event).filter((e) => e.type === 'pulled');
  const event = pulls.at(-1 - m.back) ?? pulls.at(-1);
  if (!event) throw new AppError('UNDO_NOTHING');
  const { outcome } = event.payload;
  if (m.not)
    return void t.do('corrected', {
      event: event.id,
      outcome: 'notTurned',
      verdict: 'inTolerance',
    });
  if (outcome === 'turned' || outcome === 'heldStill')
    return void t.do('corrected', {
      event: event.id,
      outcome: outcome === 'turned' ? 'heldStill' : 'turned',
      verdict: 'inTolerance',
    });
  const isAngle =
    t.state.sheet.stages.find((s) => s.id === event.payload.stage)?.action === 'angle';
  return void t.do('corrected', {
    event: event.id,
    outcome,
    verdict: 'inTolerance',
    ...(isAngle ? { reading: { value: m.deg, unit: 'deg' } } : {}),
  });
}

function takeOver(t: Technician, found: number): void {
  const device = t.place.device;
  try {
    t.takeOver(testId(500 + (t.state.holder?.hold ?? 0)));
  } catch (error) {
    t.place.device = device;
    throw error;
  }
  const due = next(t.state);
  if (due.kind !== 'reconcile' || found > 60) return;
  const answers = ['turned', 'notTurned', 'cannotTell'] as const;
  t.do('reconciled', {
    stage: due.stage.id,
    pass: due.pass,
    fasteners: due.fasteners.map((fastener, i) => ({
      fastener,
      found: due.believedTurned.includes(fastener)
        ? answers[(found + i) % 3 === 2 ? 2 : 0]
        : answers[(found + i) % 7 === 0 ? 0 : 1],
    })),
  });
}

function nonsense(t: Technician, which: number): void {
  const stage = t.state.sheet.stages[which % t.state.sheet.stages.length]?.id ?? '';
  t.do('pulled', {
    fastener: anyFastener(t, which),
    stage,
    pass: 1 + (which % 3),
    outcome: 'reached',
    method: 'angleGauge',
    verdict: 'inTolerance',
    core: '0',
  });
}

function another(t: Technician, due: Next, which: number): void {
  const fastener = anyFastener(t, which);
  if (due.kind === 'pull' && fastener !== due.fastener) t.step({ insteadOf: fastener });
}

function lead(t: Technician, which: number): void {
  const open = t.state.progress.deviations.filter((d) => d.decision === null);
  const deviation = open[which % Math.max(open.length, 1)];
  const says = which % 4;
  if (says === 0) return void t.lead({ kind: 'leaveOut', fastener: anyFastener(t, which) });
  if (says === 3) return void t.lead({ kind: 'note' });
  if (deviation)
    t.lead({
      kind: 'allowance',
      about: { deviation: deviation.event },
      decision: says === 1 ? 'allow' : 'refuse',
    });
}

/** Another way out of a hold than the obedient one. */
function way(t: Technician, due: Next, which: number): void {
  if (due.kind !== 'hold') return void t.step();
  const { ways, hold } = due;
  const chosen = ways[which % ways.length];
  const fastener = due.fastener ?? '';
  const key =
    hold.kind === 'claim'
      ? hold.claim.event
      : hold.kind === 'refused'
        ? hold.deviation.event
        : due.stage.id;
  switch (chosen) {
    case 'failed':
    case 'reallyDone':
    case 'redone':
    case 'notDone':
    case 'turnOn':
      return void t.do('held', { hold: key, decision: chosen });
    case 'pending':
      return void t.do('held', {
        hold: key,
        decision: 'pendingLead',
        finding: 'looked at',
        ...(hold.kind === 'notCovered' ? { fastener } : {}),
      });
    case 'replace':
      return void t.do('swapped', {
        fastener,
        replacement: due.replacement ?? '',
        condition: 'new',
      });
    case 'redo':
      return void t.do('restarted', { fastener, slackened: true });
    case 'readStripe':
      return void t.do('pulled', {
        fastener,
        stage: due.stage.id,
        pass: t.state.progress.pass,
        outcome: 'reached',
        method: 'stripe',
        stripeDeg: Math.max(
          0,
          stripeNow(t, fastener, due.stage.id) + ([0, 30, 58, 60, 62][which % 5] ?? 0),
        ),
        verdict: 'inTolerance',
        core: '0',
      });
    case 'statement':
      return void (hold.kind === 'failed'
        ? t.lead({ kind: 'leaveOut', fastener })
        : t.lead({
            kind: 'release',
            hold: due.stage.id,
            decision:
              hold.kind === 'replaced'
                ? which % 2
                  ? 'redo'
                  : 'single'
                : which % 3
                  ? 'passed'
                  : 'failed',
          }));
    case 'rung':
      return void t.do('stepDone', {
        step: hold.kind === 'failed' ? (hold.rung ?? '') : '',
        answer: (['didNot', 'worked', 'stop'] as const)[which % 3] ?? 'didNot',
      });
    default:
      return void t.step();
  }
}

function badAnswer(t: Technician, due: Next): void {
  if (due.kind === 'round')
    return void t.do('roundDone', { stage: due.stage.id, round: due.round, seated: false });
  if (due.kind !== 'step') return void t.step({ moved: true });
  const answer = due.step.answers?.find((a) => a.then !== 'goOn')?.text;
  const measurements =
    due.step.limits &&
    (due.step.rows ?? [undefined]).map((row) => ({
      ...(row === undefined ? {} : { row }),
      value: { value: 0.3, unit: 'mm' as const },
    }));
  t.do('stepDone', {
    step: due.step.id,
    ...(answer ? { answer } : {}),
    ...(measurements
      ? { measurements, ...(due.reason === 'consequence' ? { pendingLead: true as const } : {}) }
      : {}),
  });
}

function claims(t: Technician, which: number): void {
  const { sheet, progress } = t.state;
  const stage = sheet.stages[Math.min(progress.stage, sheet.stages.length - 1)];
  if (!stage) return;
  t.lead({
    kind: 'claims',
    claims: [
      {
        event: testId(800_000 + t.state.events.length),
        fastener: anyFastener(t, which),
        stage: stage.id,
        pass: progress.pass,
        ...(stage.action === 'angle' ? { turnedDeg: 60 } : {}),
      },
    ],
  });
}

function overdue(t: Technician, due: Next): void {
  const wrench = t.place.wrenches[2];
  if (due.kind !== 'chooseTool' || !wrench) return void t.step();
  t.do('wrenchChosen', {
    stage: due.stage.id,
    ...(due.task.part ? { part: due.task.part.id } : {}),
    method: 'click',
    wrench,
    pendingLead: true,
  });
}

function neighbour(t: Technician, due: Next): void {
  if (due.kind !== 'neighbours') return void t.step();
  t.do('stepDone', {
    step: 'neighbours',
    fasteners: [...due.fasteners],
    moved: due.fasteners.slice(0, 1),
  });
}

/** A measured value off its target by a share: stretch, angle, or a digital wrench. */
function reading(t: Technician, due: Next, share: number): void {
  if (due.kind !== 'pull' || !due.target || !isRead(due)) return void t.step();
  t.pull(due, {
    reading: { value: due.target.value * share, unit: due.target.unit },
    ...(share > 2.2 ? { sure: true as const } : {}),
  });
}
