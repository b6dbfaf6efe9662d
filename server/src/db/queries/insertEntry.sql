-- in: shop, id, version, order, body, gone, person, at. Locked before (lockEntry).
insert into order_entry values ($1, $2, $3, $4, $5, $6, $7, $8)
