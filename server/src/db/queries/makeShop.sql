-- in: hash of the code or null, now, shop, its name, locale, time zone, paper, unit; person, name, its key, its look, password hash or null for someone who is
-- here already. out: whether there is one shop more. err: 23505, the name is taken.
select make_shop($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) as made
