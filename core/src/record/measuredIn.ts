import { convert, units } from '../quantity';
import { judgedFor, type RunState } from '../run';

/** One value that was measured in a run, in millimetres. */
export interface MeasuredValue {
  step: string;
  /** null where the step has one place only. */
  row: string | null;
  mm: number;
}

/**
 * What was measured in a run and counts, the last of each step: to be compared with the other
 * banks, caps or cylinders. What is no length (a temperature, a torque) is left out.
 */
export function measuredIn(state: RunState): MeasuredValue[] {
  const last = new Map<string, MeasuredValue[]>();
  for (const { event } of state.effective) {
    if (event.type !== 'stepDone') continue;
    const { step: id, measured, measurements } = event.payload;
    const step = state.sheet.steps.find((s) => s.id === id);
    if (step && measured)
      last.set(
        id,
        judgedFor(step, measured).found.flatMap((f) =>
          f.mm === null || f.verdict === null ? [] : [{ step: id, row: f.what, mm: f.mm }],
        ),
      );
    else if (measurements?.every((m) => units[m.value.unit].kind === 'length')) {
      last.set(
        id,
        measurements.map((m) => ({ step: id, row: m.row ?? null, mm: convert(m.value, 'mm') })),
      );
    }
  }
  return [...last.values()].flat();
}
