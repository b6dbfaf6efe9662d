-- in: shop, id, version, order, body, gone, person, at. A version that is there breaks order_entry_pkey.
insert into order_entry values ($1, $2, $3, $4, $5, $6, $7, $8)
