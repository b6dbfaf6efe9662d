import * as v from 'valibot';
import { headSheet, Technician } from '../testing';
import { EVENT_TYPES, RunEventSchema } from '../run';
import { isAllowed, permissions, ROLES, routes, textOf, type Permission } from '.';
import { HistoryQuery } from './bodies';

describe('permissions', () => {
  test('who may tighten, who may only look', () => {
    const table = Object.fromEntries(
      ROLES.map((role) => [
        role,
        (Object.keys(permissions) as Permission[]).filter((p) => isAllowed(role, p)),
      ]),
    );
    expect(table).toEqual({
      lead: [
        'order.read',
        'order.write',
        'run.read',
        'run.write',
        'sheet.read',
        'sheet.write',
        'sheet.approve',
        'tool.read',
        'tool.write',
        'practice.do',
        'practice.lead',
        'shop.write',
      ],
      technician: [
        'order.read',
        'order.write',
        'run.read',
        'run.write',
        'sheet.read',
        'sheet.write',
        'tool.read',
        'practice.do',
      ],
      adviser: ['order.read', 'order.write', 'run.read', 'sheet.read', 'tool.read', 'practice.do'],
      apprentice: ['order.read', 'run.read', 'sheet.read', 'tool.read', 'practice.do'],
      owner: ['order.read', 'run.read', 'sheet.read', 'tool.read', 'practice.do', 'shop.write'],
    });
  });

  test('every route that writes names who may, but for the door, the change of shop, and one’s own sessions and secrets', () => {
    const open = Object.entries(routes)
      .filter(([, r]) => r.method !== 'GET' && !(r.permission && r.permission !== 'door'))
      .map(([name]) => name);
    expect(open).toEqual([
      ...[
        'signIn',
        'signOut',
        'switchShop',
        'makeShop',
        'enrol',
        'switchPerson',
        'touch',
        'useCode',
      ],
      ...['changePassword', 'endSessions', 'endSession', 'setPin'],
    ]);
  });
});

describe('events at the edge', () => {
  const made = new Technician(headSheet).finish();

  test('every event of a whole run passes', () => {
    for (const event of made) expect(v.parse(RunEventSchema, event)).toEqual(event);
  });

  test('the schema is laid out for all kinds of event', () => expect(EVENT_TYPES).toHaveLength(29));

  test('an unknown field, another version, a broken id or number is refused', () => {
    const [first] = made;
    for (const broken of [
      { ...first, extra: 1 },
      { ...first, v: 2 },
      { ...first, id: 'x' },
      { ...first, seq: 0 },
      { ...first, seq: NaN },
      { ...first, type: 'hacked' },
      null,
      [],
    ]) {
      expect(v.is(RunEventSchema, broken)).toBe(false);
    }
  });
});

test('text that a table or UTF-8 cannot hold is refused, everything else kept as it is', () => {
  const Text = textOf(40);
  for (const good of ['Robert’); drop table run;--', '<b>x</b>', 'Łódź 😀', 'tab\tand\nline'])
    expect(v.parse(Text, good)).toBe(good);
  for (const bad of ['', 'a\u0000b', '\ud800', 'x\udfff', 'y'.repeat(41)])
    expect(v.is(Text, bad)).toBe(false);
});

test.each([
  ['2026-02-28T00:00:00.000Z~5e000000-0000-4000-8000-000000000001', true],
  ['2026-02-30T00:00:00.000Z~5e000000-0000-4000-8000-000000000001', false],
  ['2026-02-28T00:00:00.000Z~------------------------------------', false],
])('a list goes on from a moment of the calendar and a run: %s', (before, is) => {
  expect(v.is(HistoryQuery, { by: 'vehicle', vin: 'ZZ9BREN20H0002417', before })).toBe(is);
});
