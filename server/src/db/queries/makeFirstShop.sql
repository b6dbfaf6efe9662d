-- in: shop, its name, locale, time zone, paper, unit; person, name, its key, its look, password hash. out: whether it was the first.
select make_first_shop($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) as made
