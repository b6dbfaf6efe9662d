-- in: shop, place, body, hash, seal. From here on this shop's rows exist.
with entered as (select set_config('stennet.shop', $1::text, true))
insert into journal (shop, place, body, hash, seal) select $1::uuid, $2::bigint, $3::text, $4::text, $5::text from entered
