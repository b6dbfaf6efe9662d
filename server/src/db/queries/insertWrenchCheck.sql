-- in: shop, id, wrench, day, verdict, body, person, at. No row: it is here already.
insert into wrench_check values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (shop, id) do nothing
