-- Personal data of customers go: on a lead's word, or by themselves so long after hand-over. What is sealed and signed does not hold them.
alter table shop add column retention_months integer check (retention_months between 1 and 600);
grant update (retention_months) on shop to stennet_app;

-- Who, plate, concern and notes of orders that were handed over. The vehicle's number stays: the record is signed for it.
create function erase_orders(wanted uuid[]) returns bigint
  language sql security definer set search_path = public, pg_temp
  as $$
  update order_entry set body = jsonb_set(body::jsonb, '{text}', '"—"')::text
    where shop = current_shop() and repair_order = any (wanted) and body::jsonb ->> 'kind' = 'note';
  with erased as (
    update repair_order set customer = '—', concern = '—', vehicle = jsonb_set(vehicle, '{plate}', '"—"'), version = version + 1
      where shop = current_shop() and id = any (wanted) and state = 'handedOver'
      returning 1
  ) select count(*) from erased;
$$;

-- All that this customer had done to this vehicle; 0 where the order is not handed over.
create function erase_customer(wanted uuid) returns bigint
  language sql security definer set search_path = public, pg_temp
  as $$
  select erase_orders(coalesce(array_agg(o.id), '{}')) from repair_order o
  join repair_order w on w.shop = o.shop and w.vin = o.vin and w.customer = o.customer and w.state = 'handedOver'
  where w.shop = current_shop() and w.id = wanted and o.state = 'handedOver'
$$;

create function erase_due(moment timestamptz) returns bigint
  language sql security definer set search_path = public, pg_temp
  as $$
  select erase_orders(coalesce(array_agg(o.id), '{}')) from repair_order o join shop h on h.shop = o.shop
  where o.shop = current_shop() and o.state = 'handedOver' and o.customer <> '—' and coalesce(o.changed_at, o.opened_at) < moment - h.retention_months * interval '1 month'
$$;
revoke all on function erase_orders(uuid[]), erase_customer(uuid), erase_due(timestamptz) from public;
grant execute on function erase_customer(uuid), erase_due(timestamptz) to stennet_app;
