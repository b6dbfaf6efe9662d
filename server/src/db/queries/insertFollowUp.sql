-- in: shop, id, repair order, joint, after, kind, text, distance km, days, celsius, since, since km, due on. Falls due once for each joint.
insert into follow_up (shop, id, repair_order, joint, after, kind, text, distance_km, days, celsius, since, since_km, due_on)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
on conflict (shop, joint, after) do nothing
