import { fastenerName, type Sheet } from '../procedure';
import { plainText } from '../quantity';
import type { Next } from './due';
import type { AnyHold } from './state';

const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

const SAID = {
  start: 'Start the run once the cautions are read.',
  resume: 'The run is paused: carry on where it stopped.',
  mark: 'Paint a stripe on each before the first angle: from then on only the stripe tells what has turned.',
  reconcile: 'Look at each stripe of this pass first: what you see goes before what was sent.',
  slacken: 'Still clamped: slacken these first, in this order, then start again.',
  bag: 'Say where what came out is kept: what goes back goes back into its own hole.',
  finish: 'Every fastener is through: finish puts the values on the repair order.',
  done: 'The run is finished and on the repair order.',
} as const;

/** What comes next and why, in one sentence that a technician understands. */
export function explain(sheet: Sheet, due: Next): string {
  const bolt = (fastener: string): string => fastenerName(sheet, fastener);
  switch (due.kind) {
    case 'chooseValue':
      return `The sheet gives a range for “${due.stage.name}”: choose one value, it holds for every fastener of the joint.`;
    case 'fit':
      return due.newOnly
        ? `${due.fasteners.length} new fasteners go in by hand: they are used once.`
        : `${due.fasteners.length} fasteners go in by hand; say whether they are new or from their own holes.`;
    case 'step':
      return due.reason === 'consequence'
        ? `What was found calls for it: ${due.step.text}`
        : due.step.text;
    case 'neighbours':
      return due.by === 'click'
        ? 'A new fastener changes the load beside it: check the ones next to it by click.'
        : 'A new fastener changes the load beside it: look at the stripes of the ones next to it.';
    case 'swap':
      return due.reason === 'swapStage'
        ? `The old ${bolt(due.fastener)} has done its work: put the new one in.`
        : due.reason === 'usedUp'
          ? upperFirst(
              `${bolt(due.fastener)} was past yield and came loose: it is used up, put a new one in.`,
            )
          : upperFirst(`${bolt(due.fastener)} was good for the trial only: put a new one in.`);
    case 'chooseTool':
      return `Choose the tool for “${due.stage.name}”.`;
    case 'setTool':
      return `Set it to ${plainText(due.setting)}: “${due.stage.name}” is published as ${plainText(due.target)}.`;
    case 'pull':
      return `${upperFirst(bolt(due.fastener))}, ${due.inHand ? plainText(due.inHand) : due.stage.name}: ${WHY[due.reason] ?? 'next in order'}.`;
    case 'round':
      return due.stage.action === 'draw'
        ? 'Draw it on until its gap is inside the window.'
        : 'A part-turn on each, in order, round after round, until the part is seated.';
    case 'wait':
      return due.until
        ? `Wait: “${due.stage.name}”.`
        : `Wait for the temperature: “${due.stage.name}”.`;
    case 'waitClock':
      return `Wait: ${due.running.clock.text}.`;
    case 'turnCrank':
      return `Turn the crank: “${due.stage.name}”.`;
    case 'hold':
      return upperFirst(holdLine(sheet, due.hold, due.stage.name));
    default:
      return SAID[due.kind];
  }
}

const WHY: Partial<Record<Next['reason'], string>> = {
  firstRound: 'first time round',
  moved: 'some still moved in the last round',
  confirmSettled: 'a quiet round must follow',
  anyOrder: 'any order will do',
  angleNotReached: 'the rest of its angle',
  replacementCatchesUp: 'it goes through the earlier stages alone',
  lagsBehind: 'it was left open before',
  asideLast: 'it was set aside',
  nextPart: 'the next part on the same fastener',
};

function holdLine(sheet: Sheet, hold: AnyHold, stage: string): string {
  const bolt = (fastener: string): string => fastenerName(sheet, fastener);
  switch (hold.kind) {
    case 'failed':
      return `${bolt(`${hold.seat}/1`)} cannot go on as it is: put it right, or put a new one in.`;
    case 'notSettled':
      return `“${stage}” does not settle: look for dirt, threads, a dowel or the gasket.`;
    case 'notSeated':
      return `“${stage}”: the part does not seat. Look for what holds it off.`;
    case 'named':
      return `Hold point: ${stage}. Nothing goes on before it is as it should be.`;
    case 'above':
      return `${bolt(hold.fastener)} went far past its window${hold.beyondYield ? ', beyond yield' : ''}.`;
    case 'belowFloor':
      return `${bolt(hold.fastener)} does not hold the published floor. Do not turn it on.`;
    case 'notCovered':
      return `Nothing on record says that ${bolt(hold.fastener)} was done in “${stage}”. Slacken it and bring it back, or ask the lead.`;
    case 'replaced':
      return `${bolt(hold.fastener)} is new after the first angle: the lead says whether it joins alone or the joint begins anew.`;
    case 'refused':
      return 'The lead did not allow a deviation: put it right.';
    case 'claim':
      return `The earlier device says that ${bolt(hold.claim.fastener)} was done: really done, redone since, or not done?`;
  }
}
