-- in: shop, run, vin, number, joint, from which shop, fingerprint, body, person, at. The same one again changes nothing.
insert into foreign_record values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
on conflict (shop, run) do nothing
