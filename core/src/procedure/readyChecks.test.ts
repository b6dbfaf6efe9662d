import * as v from 'valibot';
import { readyChecks } from '.';
import { StepSchema } from './step';

test.each(readyChecks().map((c) => [c.name, c] as const))(
  '%s goes into a sheet as it stands',
  (_name, ready) => {
    const step = { ...ready.step, id: ready.id, due: { when: 'beforeFirstPull' } };
    expect(v.safeParse(StepSchema, step).success).toBe(true);
    // Something lets the work go on, and something does not: else no one would have to look.
    if (ready.step.kind === 'check')
      expect(new Set(ready.step.answers?.map((a) => a.then === 'goOn')).size).toBe(2);
  },
);

test('each has a name of its own', () => {
  expect(new Set(readyChecks().map((c) => c.id)).size).toBe(readyChecks().length);
});
