-- in: shop, hash, bytes, width, height, person, at.
insert into photo values ($1, $2, $3, $4, $5, $6, $7) on conflict do nothing
