-- in: shop, hash, canonical JSON, person, at. Sent again, nothing changes.
insert into trace values ($1, $2, $3, $4, $5) on conflict do nothing
