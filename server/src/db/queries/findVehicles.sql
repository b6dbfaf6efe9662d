-- in: letters and digits of a plate or VIN; the words as typed, as a pattern. out: vehicles that were here before, as the newest repair order has them.
select vehicle, customer, contact from (
  select distinct on (coalesce(nullif(o.vin, ''), bare(o.vehicle ->> 'plate'))) o.vehicle, o.customer, o.contact, o.opened_at
  from repair_order o
  where o.shop = current_shop() and o.customer <> '—'
    and (o.vin like '%' || $1 || '%' or bare(o.vehicle ->> 'plate') like '%' || $1 || '%' or o.customer ilike $2)
  order by coalesce(nullif(o.vin, ''), bare(o.vehicle ->> 'plate')), o.opened_at desc) newest
order by opened_at desc limit 5
