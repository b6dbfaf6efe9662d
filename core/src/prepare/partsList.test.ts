import { headSheet } from '../testing';
import { lineKey, neededNew, partsList } from '.';
import { JOB, JOINT, headBolts as part } from '../testing/headBolts';

describe('the parts list', () => {
  const joints = [{ job: JOB, joint: JOINT, name: 'Cylinder head', sheet: headSheet }];
  test('what is known is put to what is asked for, what was added comes last', () => {
    const lines = partsList(joints, [
      { id: 'a', version: 2, body: part('here', 'group:head-bolts') },
      { id: 'b', version: 1, body: part('needed') },
    ]);
    expect(lines[0]).toMatchObject({
      need: { key: 'group:head-bolts' },
      entry: { id: 'a', version: 2 },
    });
    expect(lines.at(-1)).toMatchObject({ need: { key: 'added:b', need: 'new' }, joint: null });
    expect(lines.filter((l) => l.entry === null).length).toBe(lines.length - 2);
  });
  test('only what is needed new is compared with a kit', () => {
    const lines = partsList(joints, [
      { id: 'a', version: 1, body: part('notNeeded', 'part:gasket') },
    ]);
    const keys = neededNew(lines, JOB).map((n) => n.key);
    expect(keys).toContain(`${JOINT}/group:head-bolts`);
    expect(keys).not.toContain(`${JOINT}/part:gasket`);
    const [first] = lines;
    if (first) expect(lineKey({ joint: null, need: { ...first.need, key: 'x' } })).toBe('/x');
  });
});
