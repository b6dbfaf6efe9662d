-- in: shop, run, place, id, kind, person, body, signature, at. err: primary key where two signed at the same moment.
insert into signed_word values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
