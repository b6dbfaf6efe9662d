import { TOOL_KINDS } from '@stennet/core/prepare';
import { formOfTool, lowestHint, readTool } from './toolForm';

const click = {
  name: 'Wrench 9',
  unit: '[in_i].[lbf_av]',
  min: '10',
  max: '60',
  graduation: '0,5',
  calibratedUntil: '2027-05-01',
};

test('a wrench as it is read off the wrench', () => {
  const read = readTool('click', { ...click, tolerancePercent: '4 %', lengthMm: '12 in' });
  expect(read).toEqual({
    tool: {
      kind: 'click',
      name: 'Wrench 9',
      unit: '[in_i].[lbf_av]',
      min: 10,
      max: 60,
      graduation: 0.5,
      calibratedUntil: '2027-05-01',
      tolerancePercent: 4,
      lengthMm: 304.8,
    },
  });
});

test('a value typed in another unit comes out in the scale’s own', () => {
  const read = readTool('click', { ...click, max: '9 Nm' });
  expect('tool' in read && read.tool.kind === 'click' && read.tool.max).toBe(79.66);
  const own = readTool('click', { ...click, max: '79.6567' });
  expect('tool' in own && own.tool.kind === 'click' && own.tool.max).toBe(79.6567);
});

test.each([
  ['max', 'plenty'],
  ['max', '60 mm'],
  ['min', '70'],
  ['min', '-1'],
  ['calibratedUntil', 'next year'],
  ['graduation', '0'],
  ['graduation', ''],
  ['lengthMm', '5000'],
] as const)('%s “%s” is refused beside its field', (field, typed) => {
  const read = readTool('click', { ...click, [field]: typed });
  expect('problems' in read && Object.keys(read.problems)).toEqual([field]);
});

test('every kind of tool can be entered, and comes back as it was', () => {
  const typed: Record<string, string> = {
    ...click,
    drive: '1/2',
    lengthMm: '600',
    stepDeg: '2',
    opening: '13 mm',
    offsetMm: '38',
    fits: 'OB20',
    ceiling: '140 Nm',
    holds: 'both',
    ratedKg: '450 kg',
  };
  for (const kind of TOOL_KINDS) {
    const read = readTool(kind, typed);
    if (!('tool' in read)) throw new Error(`${kind}: ${JSON.stringify(read.problems)}`);
    expect(readTool(kind, formOfTool(read.tool))).toEqual(read);
  }
});

test('where the lowest value is not on the scale a fifth is offered, not filled in', () => {
  expect(lowestHint({ max: '200' })).toContain('40');
  expect(lowestHint({ max: 'x' })).toBeNull();
  expect(lowestHint({})).toBeNull();
});
