-- in: shop, run, vin, number, joint, from which shop, fingerprint, body, person, at. A later state takes the place of an earlier one.
insert into foreign_record values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
on conflict (shop, run) do update set vin = excluded.vin, number = excluded.number, joint = excluded.joint, from_shop = excluded.from_shop,
  body = excluded.body, person = excluded.person, at = excluded.at
where foreign_record.fingerprint = excluded.fingerprint
