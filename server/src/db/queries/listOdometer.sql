-- in: vins. out: the odometer of each, each time it was here or read at a follow-up; the oldest first.
select vin, to_char(opened_at, 'YYYY-MM-DD') as day, odometer_value as value, odometer_unit as unit from repair_order where shop = current_shop() and vin = any($1) and vin <> '' and odometer_value is not null
union all
select o.vin, to_char(f.settled_at, 'YYYY-MM-DD'), f.seen_km::int, 'km'
from follow_up f join repair_order o on o.shop = f.shop and o.id = f.repair_order
where f.shop = current_shop() and o.vin = any($1) and o.vin <> '' and f.seen_km is not null
order by 2
