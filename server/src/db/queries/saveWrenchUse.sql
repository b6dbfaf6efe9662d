-- in: shop, run, wrench, first and last time, pulls, readings, their ratio to what was aimed at.
insert into wrench_use (shop, run, wrench, first_at, last_at, pulls, readings, ratio) values ($1, $2, $3, $4, $5, $6, $7, $8)
on conflict (shop, run, wrench) do update
  set first_at = excluded.first_at, last_at = excluded.last_at, pulls = excluded.pulls, readings = excluded.readings, ratio = excluded.ratio
