import * as v from 'valibot';
import { HashSchema, UuidSchema } from '@stennet/core/contract';
import { KeptRunSchema } from '@stennet/core/contract/work';
import { RunEventSchema } from '@stennet/core/run';
import { TraceSchema } from '@stennet/core/trace';

/** Where a device has lost what the run is about, its entries can still be sent. */
const RunSchema = v.pipe(
  v.object({
    kept: v.optional(KeptRunSchema),
    events: v.pipe(v.array(RunEventSchema), v.maxLength(20_000)),
  }),
  v.check(
    ({ kept, events }) => events.every((e) => e.run === (kept?.id ?? events[0]?.run)),
    'entries of the run that they stand with',
  ),
);

/**
 * A file of what a device had not sent. Read with the first such file only: it knows every event
 * and every sheet.
 */
export const UnsentFileSchema = v.object({
  format: v.literal('stennet-unsent'),
  v: v.literal(1),
  runs: v.pipe(v.array(RunSchema), v.maxLength(500)),
  /**
   * What the device holds these runs with: the device that reads the file back continues where it
   * stopped.
   */
  holds: v.optional(
    v.pipe(
      v.array(v.object({ run: UuidSchema, hold: v.number(), key: v.string() })),
      v.maxLength(500),
    ),
    [],
  ),
  traces: v.optional(v.record(HashSchema, TraceSchema)),
});
