-- in: shop, id, run, person, body, at.
insert into statement values ($1, $2, $3, $4, $5, $6)
