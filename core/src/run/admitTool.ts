import { AppError } from '../errors';
import { plainText, units, wrenchSetting } from '../quantity';
import type { EventOf } from './events';
import type { Next } from './due';
import { notNext } from './refuse';
import { hasAngles } from './seats';
import type { RunState } from './state';
import { isTorque, targetOf } from './task';
import { methodsFor } from './tools';

/**
 * A wrench out of range is refused; one out of calibration needs the lead's approval, pending only
 * before the first angle.
 */
export function admitTool(state: RunState, event: EventOf<'wrenchChosen'>, due: Next): void {
  if (due.kind !== 'chooseTool' && due.kind !== 'setTool' && due.kind !== 'pull')
    throw notNext(due);
  const { stage, part, method, wrench, pendingLead } = event.payload;
  if (stage !== due.stage.id || part !== due.task.part?.id)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  if (!methodsFor(due.task).includes(method)) throw new AppError('METHOD_NOT_ALLOWED', { method });
  if (!isTorque(due.task.action) || method === 'byFeel') return;
  if (!wrench || wrench.kind !== method || units[wrench.unit].kind !== 'torque')
    throw new AppError('METHOD_NOT_ALLOWED', { method });
  wrenchSetting(wrench, targetOf(due.task));
  // Compared as days, by the device's own date: the server compares again with its own.
  if (
    wrench.calibratedUntil >= event.deviceTime.slice(0, 10) ||
    state.progress.allowed[`wrench:${wrench.id}`]
  )
    return;
  if (!pendingLead || hasAngles(state.sheet, state.progress))
    throw new AppError('WRENCH_OUT_OF_CALIBRATION', {
      wrench: wrench.name,
      until: wrench.calibratedUntil,
    });
}

export function admitSetting(event: EventOf<'wrenchSet'>, due: Next): void {
  if (due.kind !== 'setTool') throw notNext(due);
  const { stage, part, setting } = event.payload;
  if (stage !== due.stage.id || part !== due.task.part?.id)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  if (setting.unit !== due.setting.unit || setting.value !== due.setting.value)
    throw new AppError('SETTING_WRONG', {
      expected: plainText(due.setting),
      got: plainText(setting),
    });
}
