-- in: shop, id, person, exercise, sheet, revision, passed, better, at, log. No row: it is here already.
insert into practice_attempt (shop, id, person, exercise, sheet, revision, passed, better, at, log)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict (shop, id) do nothing
