-- in: shop, id, order, kind, title. Put behind the order's other jobs; sent again, nothing changes.
insert into job (shop, id, repair_order, title, place, kind)
select $1, $2, $3, $5, coalesce((select max(place) + 1 from job where shop = $1 and repair_order = $3), 0), $4
on conflict (shop, id) do nothing
