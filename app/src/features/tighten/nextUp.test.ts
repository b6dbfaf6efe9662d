import type { Joint } from '@stennet/core/contract';
import { demoSheet, headSheet, Technician } from '@stennet/core/testing';
import { nextUp } from './nextUp';

const rods = demoSheet('cv30-rods');
const joint = (id: string, over: Partial<Joint> = {}): Joint => ({
  id,
  name: id,
  sheetId: '',
  revision: 'A',
  sheetTitle: '',
  sheetKind: '',
  instances: null,
  takesApart: false,
  runs: [],
  ...over,
});
const finished = (instance: string | null): Joint['runs'][number] => ({
  id: `run ${instance}`,
  part: 'procedure',
  instance,
  state: 'finished',
  signing: 'open',
  holderPerson: '',
  holderDevice: '',
  holderDeviceName: '',
  lastAt: '',
  standing: {
    stage: 0,
    stages: 0,
    done: 0,
    of: 0,
    inPass: [],
    fastener: null,
    stageName: null,
    putIn: [],
    tookOut: [],
    asksLead: 0,
    leftOut: [],
    once: [],
    values: {},
    happened: [],
    bags: [],
    measured: [],
  },
});
const doneAt = (instance: string) => {
  const t = new Technician(rods, undefined, { instance });
  t.finish();
  return t.state;
};
const caps = (...done: string[]): Joint =>
  joint('Rod caps', { instances: rods.instances ?? null, runs: done.map(finished) });

test('a companion needs no turn of the crank; the next pair does', () => {
  expect(nextUp([caps()], 'Rod caps', doneAt('1'))).toMatchObject({
    instance: '4',
    name: 'Rod caps 4',
    crankDeg: null,
  });
  expect(nextUp([caps('1')], 'Rod caps', doneAt('4'))).toMatchObject({
    instance: '2',
    crankDeg: 120,
  });
});

test('with the last one done the job goes on with its next joint, and a job that is through with nothing', () => {
  const head = joint('Cylinder head');
  expect(nextUp([caps('1', '2', '3', '4', '5'), head], 'Rod caps', doneAt('6'))).toMatchObject({
    joint: 'Cylinder head',
    instance: null,
  });
  expect(nextUp([caps('1', '2', '3', '4', '5')], 'Rod caps', doneAt('6'))).toBeNull();
  const t = new Technician(headSheet);
  t.finish();
  expect(nextUp([joint('a'), joint('b', { runs: [finished(null)] })], 'a', t.state)).toBeNull();
});
