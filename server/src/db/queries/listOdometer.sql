-- in: vin. out: its odometer each time it was here, the oldest first; besides what was read at a follow-up.
select to_char(opened_at, 'YYYY-MM-DD') as day, odometer_value as value, odometer_unit as unit from repair_order where shop = current_shop() and vin = $1
union all
select to_char(f.settled_at, 'YYYY-MM-DD'), f.seen_km::int, 'km'
from follow_up f join repair_order o on o.shop = f.shop and o.id = f.repair_order
where f.shop = current_shop() and o.vin = $1 and f.seen_km is not null
order by 1
