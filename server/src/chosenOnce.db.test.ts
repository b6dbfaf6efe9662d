import type { Sheet } from '@stennet/core/procedure';
import { headSheet } from '@stennet/core/testing';
import { house, jonah } from '../test/theShop';
import { HALDEN } from '../test/world';
import { keepSheet } from './db/keepSheet';

test('a value chosen when it was tightened is used again after heat, and no other', async () => {
  const target = { min: 45, max: 50, unit: 'N.m' as const };
  const [first] = headSheet.stages;
  const chosen = { id: 'chosen', name: 'chosen', on: ['all'], action: 'torque', target };
  const sheet = {
    ...headSheet,
    id: 'chosen-once',
    tellApart: [],
    groups: headSheet.groups.map((g) => ({ ...g, reuse: 'reuse' })),
    steps: [],
    clocks: [],
    stages: [{ ...chosen, order: first?.order }],
    after: [
      {
        id: 'hot',
        kind: 'retighten',
        text: 'After heat, torque again.',
        stages: [{ ...chosen, id: 'hot', sameAs: 'chosen' }],
      },
    ],
  } as Sheet;
  await house.db.inShop(HALDEN, (c) => keepSheet(c, HALDEN, sheet));
  const joint = await house.freshJoint(undefined, sheet);
  const cold = await jonah.technician(joint, sheet);
  cold.until((d) => d.kind === 'chooseValue');
  cold.do('valueChosen', { stage: 'chosen', value: { value: 48, unit: 'N.m' } });
  cold.finish();
  const tight = await jonah.append(cold.place.run, cold.state.events.toArray());
  expect(tight.body).not.toHaveProperty('error');
  const hot = async (value?: number) => {
    const values = value && { values: { chosen: { value, unit: 'N.m' as const } } };
    const t = await jonah.technician(joint, sheet, { part: 'hot', ...values });
    t.step();
    return jonah.append(t.place.run, t.state.events.toArray());
  };
  expect((await hot(47)).body).toMatchObject({ error: { code: 'VALUES_UNLIKE' } });
  expect((await hot()).body).toMatchObject({ error: { code: 'VALUES_UNLIKE' } });
  expect((await hot(48)).status).toBe(200);
});
