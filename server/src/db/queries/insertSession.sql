-- in: shop, token hash, account, now, end, id, entry key, device in words, address. Runs out after a working day.
insert into session (shop, token_hash, account, created_at, seen_at, expires_at, id, entry_key, device, address) values ($1, $2, $3, $4, $4, $5, $6, $7, $8, $9)
