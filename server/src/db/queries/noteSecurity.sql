-- in: shop, now, kind, who, about whom, address, device in words, how many days it is kept. The oldest go.
with old as (delete from security_event where shop = $1 and at < $2::timestamptz - $8 * interval '1 day')
insert into security_event (shop, at, kind, person, about, address, device) values ($1, $2, $3, $4, $5, $6, $7)
