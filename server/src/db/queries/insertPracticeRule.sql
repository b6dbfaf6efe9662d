-- in: shop, role, kind, exercise, person, at
insert into practice_rule values ($1, $2, $3, $4, $5, $6) on conflict do nothing
