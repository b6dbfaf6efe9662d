-- in: shop, run, wrench, when, pulls. Counted on while a run goes on; recomputed by saveWrenchUse.
insert into wrench_use (shop, run, wrench, first_at, last_at, pulls, readings, ratio) values ($1, $2, $3, $4, $5, $6, 0, null)
on conflict (shop, run, wrench) do update
  set first_at = least(wrench_use.first_at, excluded.first_at), last_at = greatest(wrench_use.last_at, excluded.last_at), pulls = wrench_use.pulls + excluded.pulls
