-- in: before when and run or nulls, letters and digits of a plate. out: what was tightened on the vehicles it is part of, the newest first.
select l.run, l."order", l.number, l.customer, l.vehicle, l.joint, l.part, l.instance, l.state, l.signing, l.sheet, l.revision, l.title, to_json(l.last_at) as at from run_line l
where l.shop = current_shop() and l.plate like '%' || $3 || '%' and ($1::timestamptz is null or (l.last_at, l.run) < ($1, $2::uuid))
order by l.last_at desc, l.run desc limit 101
