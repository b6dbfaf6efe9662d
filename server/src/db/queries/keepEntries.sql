-- in: shop, and as JSON: runs with what their lists have come to, each with its new entries and with the pulls of each wrench in them. One statement for all of
-- it: each more is a way there and back inside of the database too. err: unique (shop, id), (shop, run, hold, seq).
with list as (
  select * from json_to_recordset($2::json) as l(run uuid, state text, "holderPerson" uuid, "holderDevice" uuid, "newHolder" text, hold integer, "lastSeq" integer,
    "lastPosition" integer, "headHash" text, "lastAt" timestamptz, standing jsonb, "holdKey" text, entries json, uses json)
), appended as (
  insert into run_event (shop, run, position, id, hold, seq, type, person, body, hash, seal, late_ms)
  select $1::uuid, l.run, e.* from list l, json_to_recordset(l.entries) as e(position integer, id uuid, hold integer, seq integer, type text, person uuid, body text,
    hash text, seal text, "lateMs" bigint)
), used as (
  -- Counted on while a run goes on; recomputed by saveWrenchUse.
  insert into wrench_use (shop, run, wrench, first_at, last_at, pulls, readings, ratio)
  select $1::uuid, l.run, u.wrench, u."firstAt", u."lastAt", u.pulls, 0, null
  from list l, json_to_recordset(l.uses) as u(wrench uuid, "firstAt" timestamptz, "lastAt" timestamptz, pulls integer)
  on conflict (shop, run, wrench) do update
    set first_at = least(wrench_use.first_at, excluded.first_at), last_at = greatest(wrench_use.last_at, excluded.last_at), pulls = wrench_use.pulls + excluded.pulls
)
update run set state = l.state, holder_person = l."holderPerson", holder_device = l."holderDevice",
  holder_device_name = coalesce(l."newHolder", holder_device_name), hold = l.hold, last_seq = l."lastSeq", last_position = l."lastPosition",
  head_hash = l."headHash", last_at = l."lastAt", standing = l.standing, hold_key_hash = decode(l."holdKey", 'hex')
from list l where run.shop = current_shop() and run.id = l.run
