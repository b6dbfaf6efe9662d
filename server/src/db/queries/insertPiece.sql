-- in: shop, what is sent, person, where it begins, bytes, at. Sent again, nothing changes.
insert into photo_piece values ($1, $2, $3, $4, $5, $6) on conflict do nothing
