-- in: follow-up. out: its version and state, who answered last, and whose vehicle it is; no row when there is none.
select f.version, f.state, f.note, p.name as by, o.vin, o.vehicle ->> 'built' as built
from follow_up f join repair_order o on o.shop = f.shop and o.id = f.repair_order
left join membership p on p.shop = f.shop and p.account = f.person
where f.shop = current_shop() and f.id = $1
