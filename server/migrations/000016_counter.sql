-- At the counter only what is needed to start is asked for: number and odometer of a vehicle may follow. How a customer is reached.
alter table repair_order alter column odometer_value drop not null;
alter table repair_order add column contact jsonb;
grant update (contact) on repair_order to stennet_app;
alter table follow_up alter column since_km drop not null;
grant update (since_km) on follow_up to stennet_app;

-- Letters and digits alone, as someone types a plate or a number: hyphens and blanks are never in the way.
create function bare(words text) returns text
  language sql immutable parallel safe
  as $$ select regexp_replace(upper(words), '[^[:alnum:]]', '', 'g') $$;

create or replace view run_line with (security_invoker = true) as
select u.shop, u.id as run, o.id as "order", o.number, o.customer, o.vehicle, o.vin, t.name as joint, u.part, nullif(u.instance, '') as instance,
  u.state, u.signing, u.sheet, u.revision, r.title, r.engine, r.kind, u.last_at, bare(o.vehicle ->> 'plate') as plate
from run u
join joint t on t.shop = u.shop and t.id = u.joint
join job j on j.shop = t.shop and j.id = t.job
join repair_order o on o.shop = j.shop and o.id = j.repair_order
join sheet_revision r on r.shop = u.shop and r.sheet = u.sheet and r.revision = u.revision;

-- Who, how reached, plate, concern, notes and reminders of orders that were handed over.
create or replace function erase_orders(wanted uuid[]) returns bigint
  language sql security definer set search_path = public, pg_temp
  as $$
  update order_entry set body = jsonb_set(body::jsonb, '{text}', '"—"')::text
    where shop = current_shop() and repair_order = any (wanted) and body::jsonb ->> 'kind' in ('note', 'reminder');
  with erased as (
    update repair_order set customer = '—', concern = '—', contact = null, vehicle = jsonb_set(vehicle, '{plate}', '"—"'), version = version + 1
      where shop = current_shop() and id = any (wanted) and state = 'handedOver'
      returning 1
  ) select count(*) from erased;
$$;

-- All that this customer had done to this vehicle; where its number was never written down, this order alone.
create or replace function erase_customer(wanted uuid) returns bigint
  language sql security definer set search_path = public, pg_temp
  as $$
  select erase_orders(coalesce(array_agg(o.id), '{}')) from repair_order o
  join repair_order w on w.shop = o.shop and w.customer = o.customer and w.state = 'handedOver' and (w.id = o.id or (w.vin = o.vin and w.vin <> ''))
  where w.shop = current_shop() and w.id = wanted and o.state = 'handedOver'
$$;
