-- in: shop, run, arrays of id, hold, seq, person and body, the statement that brings them or null, now.
insert into late_event (shop, run, id, hold, seq, person, body, statement, at)
select $1, $2, i.id, i.hold, i.seq, i.person, i.body, $8, $9 from unnest($3::uuid[], $4::int[], $5::int[], $6::uuid[], $7::text[]) as i (id, hold, seq, person, body)
on conflict (shop, id) do nothing
