-- in: before when and run or nulls, engine, kind of joint. out: what was tightened on joints of this kind, the newest first.
select l.run, l."order", l.number, l.customer, l.vehicle, l.joint, l.part, l.instance, l.state, l.signing, l.sheet, l.revision, l.title, to_json(l.last_at) as at from run_line l
where l.shop = current_shop() and l.engine = $3 and l.kind = $4 and ($1::timestamptz is null or (l.last_at, l.run) < ($1, $2::uuid))
order by l.last_at desc, l.run desc limit 101
