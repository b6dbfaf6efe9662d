import { AppError, catalogue, toWire, type ErrorCode } from '.';

const codes = Object.keys(catalogue) as ErrorCode[];

test.each(codes)('%s says what is wrong and what to do now, in whole sentences', (code) => {
  const error = new AppError(code, {
    where: 'x',
    fault: 'Entry 3 is the first that does not fit.',
    joint: 'Cylinder head',
    minutes: 3,
    role: 'adviser',
    expected: 4,
    got: 5,
    wrench: 'W',
    min: '1',
    max: '2',
    target: '3',
    until: 'then',
    method: 'm',
    count: 2,
    value: 9,
    stage: 's',
    what: 'w',
    unit: 'u',
    from: 'a',
    to: 'b',
    text: 't',
    next: 'n',
    fastener: '7/1',
    group: 'Head bolts',
    length: 141,
    most: 140,
    range: '45–50 N·m',
    answer: 'no',
    celsius: 60,
    wanted: 40,
    gap: '3 mm',
    instance: 'left',
    thread: 'M0',
    name: '7.7',
    number: '2417',
    state: 'done',
    field: 'Length',
    v: 9,
    by: 'Ines Corte',
    at: '12:10',
    title: 'Cylinder head',
    why: 'it stops in the middle',
    reading: '180°',
    reasons: 'The sheet is withdrawn.',
    fasteners: '3, 7',
    before: 90,
    usual: 140,
    resolution: 0.1,
    cell: 'much',
    column: 'value',
  });
  for (const said of [error.message, error.fix]) {
    expect(said).toMatch(/^[A-Z“0-9].*[.?]$/s);
    expect(said).not.toMatch(/undefined|!|\[object/);
  }
  expect(toWire(error)).toMatchObject({ code, message: error.message, fix: error.fix });
});
