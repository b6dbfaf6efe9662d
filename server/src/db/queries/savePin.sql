-- in: shop, person, hash, at.
insert into pin values ($1, $2, $3, $4) on conflict (shop, account) do update set hash = excluded.hash, set_at = excluded.set_at
