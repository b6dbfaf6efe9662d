import { textAt, textsOf, upperFirst } from '../language';
import { explanations } from '../language/en/explanations';
import { fastenerName, type Sheet } from '../procedure';
import { plainText } from '../quantity';
import type { Next } from './due';
import type { AnyHold } from './state';

const text = textsOf('explanations', explanations);

/** What comes next and why, in one sentence that a technician understands. */
export function explain(sheet: Sheet, due: Next): string {
  const bolt = (fastener: string): string => fastenerName(sheet, fastener);
  switch (due.kind) {
    case 'chooseValue':
      return text.chooseValue({ stage: due.stage.name });
    case 'fit':
      return due.newOnly
        ? text.fitNew({ n: due.fasteners.length })
        : text.fit({ n: due.fasteners.length });
    case 'step':
      return due.reason === 'consequence'
        ? text.consequence({ step: due.step.text })
        : due.step.text;
    case 'neighbours':
      return due.by === 'click' ? text.neighboursClick : text.neighboursMark;
    case 'swap':
      return due.reason === 'swapStage'
        ? text.swap({ bolt: bolt(due.fastener) })
        : due.reason === 'usedUp'
          ? upperFirst(text.usedUp({ bolt: bolt(due.fastener) }))
          : upperFirst(text.trialOnly({ bolt: bolt(due.fastener) }));
    case 'chooseTool':
      return text.chooseTool({ stage: due.stage.name });
    case 'setTool':
      return text.setTool({
        setting: plainText(due.setting),
        stage: due.stage.name,
        target: plainText(due.target),
      });
    case 'pull':
      return text.pull({
        bolt: upperFirst(bolt(due.fastener)),
        value: due.inHand ? plainText(due.inHand) : due.stage.name,
        why: textAt(text.why, due.reason) ?? text.why.inOrder,
      });
    case 'round':
      return due.stage.action === 'draw' ? text.draw : text.round;
    case 'wait':
      return due.until
        ? text.wait({ stage: due.stage.name })
        : text.waitTemperature({ stage: due.stage.name });
    case 'waitClock':
      return text.waitClock({ clock: due.running.clock.text });
    case 'turnCrank':
      return text.turnCrank({ stage: due.stage.name });
    case 'hold':
      return upperFirst(holdLine(sheet, due.hold, due.stage.name));
    default:
      return text.now[due.kind];
  }
}

function holdLine(sheet: Sheet, hold: AnyHold, stage: string): string {
  const bolt = (fastener: string): string => fastenerName(sheet, fastener);
  switch (hold.kind) {
    case 'failed':
      return text.hold.failed({ bolt: bolt(`${hold.seat}/1`) });
    case 'notSettled':
      return text.hold.notSettled({ stage });
    case 'notSeated':
      return text.hold.notSeated({ stage });
    case 'named':
      return text.hold.named({ stage });
    case 'above':
      return (hold.beyondYield ? text.hold.aboveYield : text.hold.above)({
        bolt: bolt(hold.fastener),
      });
    case 'belowFloor':
      return text.hold.belowFloor({ bolt: bolt(hold.fastener) });
    case 'notCovered':
      return text.hold.notCovered({ bolt: bolt(hold.fastener), stage });
    case 'replaced':
      return text.hold.replaced({ bolt: bolt(hold.fastener) });
    case 'refused':
      return text.hold.refused;
    case 'claim':
      return text.hold.claim({ bolt: bolt(hold.claim.fastener) });
  }
}
