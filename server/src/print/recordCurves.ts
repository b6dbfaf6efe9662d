import { setImmediate } from 'node:timers/promises';
import { traceCurves } from '@stennet/core/drawing';
import { stageWords, type Sheet } from '@stennet/core/procedure';
import { convert, units, type Formatter } from '@stennet/core/quantity';
import { lookText, tracedPulls, tracedStages, type RunRecord } from '@stennet/core/record';
import { lookAtPulls, type Trace } from '@stennet/core/trace';
import { drawingBlock, headingBlock, textBlock, type Block } from './column';
import { text } from './text';

/**
 * What digital wrenches saw: torque over angle, stage by stage, with those that stand out named.
 * Between stages others are served.
 */
export async function curvesOf(
  sheet: Sheet,
  record: RunRecord,
  traces: ReadonlyMap<string, Trace>,
  format: Formatter,
): Promise<Block[]> {
  const blocks: Block[] = [];
  for (const traced of tracedStages(record)) {
    const known = tracedPulls(sheet, traced, traces);
    if (known.length === 0) continue;
    await setImmediate();
    const looked = lookAtPulls(known);
    const { target } = traced.stage;
    const unit =
      target && 'value' in target && units[target.unit].kind === 'torque' ? target.unit : 'N.m';
    const odd = looked
      .filter((l) => l.look && l.look.is !== 'ok')
      .map((l) => `${l.id}: ${lookText(l.look)}`);
    blocks.push(
      {
        ...textBlock(
          text.tracedStage({ stage: stageWords(traced.stage, format), count: known.length }),
          {
            face: 'bold',
            before: 0.4,
          },
        ),
        leads: true,
      },
      drawingBlock(
        traceCurves(looked, (value) => convert({ value, unit: 'N.m' }, unit), units[unit].symbol),
        15,
      ),
      textBlock(
        odd.length > 0
          ? odd.join(' ')
          : looked.some((l) => l.look)
            ? text.tracedNothing
            : lookText(null),
      ),
    );
  }
  if (blocks.length === 0) return [];
  const isSimulated = [...traces.values()].some((t) => t.simulated);
  return [
    headingBlock(text.traced),
    ...blocks,
    textBlock(`${isSimulated ? `${text.tracedSimulated} ` : ''}${text.tracedNote}`, {
      scale: 0.85,
    }),
  ];
}
