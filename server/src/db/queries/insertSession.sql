-- in: shop, token hash, account, now, end. Runs out after a working day.
insert into session (shop, token_hash, account, created_at, expires_at) values ($1, $2, $3, $4, $5)
