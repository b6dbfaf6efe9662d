import { type Change, run, of, ORDER, JONAH, OPEN_RUN } from './pastTheServer';
import { demoId, HALDEN } from './world';

/** Changes of what stands around the runs, and of the audit trail itself. */
export const CHANGED_AROUND: readonly Change[] = [
  // The order around it.
  [
    'a joint removed',
    `delete from joint where id = ${of(demoId(461))}`,
    /RO 2389, .*joint “Cylinder head” was removed/,
  ],
  [
    'a joint in another job',
    `update joint set job = ${of(demoId(353))} where id = ${of(demoId(461))}`,
    /joint “Cylinder head” was changed/,
  ],
  [
    'a joint’s name',
    `update joint set name = 'Oil pan' where id = ${of(demoId(461))}`,
    /joint “Cylinder head” was changed/,
  ],
  [
    'a joint’s sheet',
    `update joint set revision = 'Z' where id = ${of(demoId(461))}`,
    /joint “Cylinder head” was changed/,
  ],
  ['a job removed', `delete from job where id = ${of(demoId(352))}`, /RO 2389, job .* was removed/],
  [
    'a job on another order',
    `update job set repair_order = ${of(demoId(253))} where id = ${of(demoId(352))}`,
    /job .* was changed/,
  ],
  ['an order removed', `delete from repair_order where id = ${of(ORDER)}`, /^RO 2389 was removed/],
  [
    'an order’s number',
    `update repair_order set number = '2390' where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order’s vehicle',
    `update repair_order set vehicle = jsonb_set(vehicle, '{vin}', '"ZZ9SOMEBODYELSES1"') where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order’s odometer',
    `update repair_order set odometer_value = odometer_value - 50000 where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order’s state',
    `update repair_order set state = 'open' where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'when an order was opened',
    `update repair_order set opened_at = opened_at - interval '1 year' where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order made up',
    `insert into repair_order (shop, id, number, vehicle, odometer_value, odometer_unit, customer, concern, state) values (${of(HALDEN)}, ${of(demoId(954))}, '9999', '{}', 1, 'km', '', '', 'open')`,
    /^RO 9999 was added/,
  ],
  [
    'an entry of an order removed',
    `delete from order_entry where repair_order = ${of(ORDER)}`,
    /RO 2389, order entry .* was removed/,
  ],
  [
    'an entry of an order',
    `update order_entry set body = replace(body, 'L 4471', 'L 4472') where repair_order = ${of(ORDER)}`,
    /RO 2389, order entry .* was changed/,
  ],
  [
    'an entry of an order taken off it',
    `update order_entry set gone = true where repair_order = ${of(ORDER)}`,
    /RO 2389, order entry .* was changed/,
  ],
  [
    'when an entry of an order was made',
    `update order_entry set at = at - interval '1 day' where repair_order = ${of(ORDER)}`,
    /RO 2389, order entry .* was changed/,
  ],
  // What falls due, what was used, what was said.
  [
    'a follow-up removed',
    `delete from follow_up where id = (select id from follow_up order by id limit 1)`,
    /follow-up .* was removed/,
  ],
  [
    'a follow-up put off',
    `update follow_up set due_on = due_on + 400 where id = (select id from follow_up order by id limit 1)`,
    /follow-up .* was changed/,
  ],
  [
    'a follow-up settled',
    `update follow_up set state = 'declined', note = 'x' where id = (select id from follow_up where state = 'open' limit 1)`,
    /follow-up .* was changed/,
  ],
  [
    'the wrench use removed',
    `delete from wrench_use where run = ${run}`,
    /RO 2389, .*wrench use .* was removed/,
  ],
  [
    'a lead approval',
    `update statement set body = '{"x":1}'`,
    /RO 2428, .*lead approval .* was changed/,
  ],
  [
    'a lead approval made up',
    `insert into statement values (${of(HALDEN)}, ${of(demoId(955))}, ${run}, ${of(demoId(10))}, '{}', now())`,
    /RO 2389, .*lead approval .* was added/,
  ],
  ['a late entry removed', `delete from late_event`, /RO 2428, .*late entry .* was removed/],
  // The shop.
  [
    'a person’s name',
    `update membership set name = 'Somebody Else' where account = ${of(JONAH)}`,
    /person “Jonah Pike” was changed/,
  ],
  [
    'a person’s role',
    `update membership set role = 'lead' where account = ${of(demoId(13))}`,
    /person “.*” was changed/,
  ],
  [
    'a person removed',
    `delete from membership where account = ${of(JONAH)}`,
    /person “Jonah Pike” was removed/,
  ],
  [
    'a person’s PIN',
    `update pin set hash = 'x' where account = ${of(demoId(10))}`,
    /PIN .* was changed/,
  ],
  [
    'the second signature turned off',
    `update shop set second_signature = not second_signature where shop = ${of(HALDEN)}`,
    /shop settings “Halden Quay Motor Works” was changed|shop settings/,
  ],
  [
    'the shop’s own row removed',
    `delete from shop where shop = ${of(HALDEN)}`,
    /shop settings .* removed/,
  ],
  [
    'a wrench’s calibration',
    `update shop_tool set body = jsonb_set(body, '{calibratedUntil}', '"2039-01-01"') where id = ${of(demoId(104))}`,
    /tool “.*” was changed/,
  ],
  [
    'a sheet’s text and hash',
    `update sheet_revision set body = replace(body, '75', '57'), hash = encode(sha256(convert_to(replace(body, '75', '57'), 'UTF8')), 'hex') where sheet = (select sheet from run where id = ${of(OPEN_RUN)})`,
    /sheet “.*” was changed/,
  ],
  [
    'a sheet withdrawn made to stand',
    `update sheet_revision set status = 'draft' where sheet = 'ob20-flywheel-kit'`,
    /sheet “.*” was changed/,
  ],
  [
    'who approved a sheet',
    `update sheet_revision set approved_by = ${of(JONAH)} where sheet = 'ob20-flywheel-kit'`,
    /sheet “.*” was changed/,
  ],
  [
    'a sheet removed',
    `delete from sheet_revision where sheet = 'bv48-damper'`,
    /sheet “.*” was removed/,
  ],
  [
    'a record from another shop',
    `update foreign_record set body = '{"x":1}'`,
    /record from another shop “77” was changed/,
  ],
  [
    'a record from another shop removed',
    `delete from foreign_record`,
    /record from another shop “77” was removed/,
  ],
  ['a photo’s picture', `update photo set bytes = 'another'`, /photo .* was changed/],
  ['a photo removed', `delete from photo`, /photo .* was removed/],
  ['a curve', `update trace set body = '{"x":1}'`, /torque-angle curve .* was changed/],
  ['a curve removed', `delete from trace`, /torque-angle curve .* was removed/],
  // The journal itself.
  [
    'a line of the audit trail',
    `update journal set body = replace(body, 'Jonah', 'Johan') where place = 1`,
    /Line 1 of the audit trail is the first that fails: its text was changed/,
  ],
  [
    'a line of the audit trail, its hash made to fit',
    `update journal set body = replace(body, 'Jonah', 'Johan'), hash = encode(sha256(convert_to(replace(body, 'Jonah', 'Johan'), 'UTF8')), 'hex') where place = 1`,
    /Line 1 of the audit trail .* seal/,
  ],
  [
    'a line of the audit trail removed',
    `delete from journal where shop = ${of(HALDEN)} and place = 1`,
    /Line 1 of the audit trail .*missing/,
  ],
  [
    'the end of the audit trail removed',
    `delete from journal where shop = ${of(HALDEN)} and place = (select max(place) from journal where shop = ${of(HALDEN)})`,
    /The audit trail ends at line \d+, but a checkpoint names line \d+/,
  ],
  [
    'the whole journal removed',
    `delete from journal where shop = ${of(HALDEN)}`,
    /The audit trail ends at line 0/,
  ],
  [
    'a line of the audit trail made up',
    `insert into journal select shop, place + 1, body, hash, seal from journal where shop = ${of(HALDEN)} order by place desc limit 1`,
    /Line \d+ of the audit trail .* belongs somewhere else/,
  ],
];
