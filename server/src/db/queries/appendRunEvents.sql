-- in: shop, run, then arrays: position, id, hold, seq, type, person, body, hash, seal, how long it lay on the device. err: unique (shop, id), (shop, run, hold, seq).
insert into run_event (shop, run, position, id, hold, seq, type, person, body, hash, seal, late_ms)
select $1, $2, * from unnest($3::int[], $4::uuid[], $5::int[], $6::int[], $7::text[], $8::uuid[], $9::text[], $10::text[], $11::text[], $12::bigint[])
