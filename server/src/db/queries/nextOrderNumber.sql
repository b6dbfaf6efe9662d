-- out: one above the highest plain number of the shop that was not typed by accident (seven digits), or the next that is free.
select n as number from (select coalesce(max(number::bigint), 100) as top, count(*) as orders from repair_order where shop = current_shop() and number ~ '^[0-9]{1,7}$') used,
  generate_series(top + 1, top + 1 + (select count(*) from repair_order where shop = current_shop() and number ~ '^[0-9]{8}$')) n
where not exists (select 1 from repair_order where shop = current_shop() and number = n::text)
limit 1
