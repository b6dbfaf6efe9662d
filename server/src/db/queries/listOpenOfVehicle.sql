-- in: vin. out: what is open for a vehicle and has a distance.
select f.id, f.distance_km as "distanceKm", f.days, to_char(f.since, 'YYYY-MM-DD') as since, f.since_km as "sinceKm", to_char(f.due_on, 'YYYY-MM-DD') as "dueOn"
from follow_up f join repair_order o on o.shop = f.shop and o.id = f.repair_order
where f.shop = current_shop() and o.vin = $1 and f.state = 'open' and f.distance_km is not null
