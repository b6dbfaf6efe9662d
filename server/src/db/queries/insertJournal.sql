-- in: shop, place, body, hash, seal
insert into journal values ($1, $2, $3, $4, $5)
