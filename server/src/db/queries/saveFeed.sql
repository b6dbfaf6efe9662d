-- in: shop, person, hash of the token, now.
insert into feed values ($1, $2, $3, $4)
