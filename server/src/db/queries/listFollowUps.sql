-- in: a state or null; a repair order or null. out: what is due, with whose vehicle it is; what is open first, the soonest before; then what was settled last.
select f.id, f.joint, f.after, f.kind, f.text, f.distance_km as "distanceKm", f.days, f.celsius, to_char(f.since, 'YYYY-MM-DD') as since, f.since_km as "sinceKm",
  to_char(f.due_on, 'YYYY-MM-DD') as "dueOn", f.state, f.note, f.seen_km as "seenKm", p.name as by, to_json(f.settled_at) as at, f.version,
  o.id as "order", o.number, o.customer, o.contact, o.vehicle, t.name as "jointName"
from follow_up f
join repair_order o on o.shop = f.shop and o.id = f.repair_order
join joint t on t.shop = f.shop and t.id = f.joint
left join membership p on p.shop = f.shop and p.account = f.person
where f.shop = current_shop() and ($1::text is null or f.state = $1) and ($2::uuid is null or f.repair_order = $2)
order by case when f.state = 'open' then f.due_on end nulls last, f.settled_at desc, o.number, f.after
limit 500
