-- in: before when and run or nulls, lot. out: runs of the repair orders on which a lot stands, the newest first.
select l.run, l."order", l.number, l.customer, l.vehicle, l.joint, l.part, l.instance, l.state, l.signing, l.sheet, l.revision, l.title, to_json(l.last_at) as at from run_line l
where l.shop = current_shop() and ($1::timestamptz is null or (l.last_at, l.run) < ($1, $2::uuid))
  and l."order" in (select e.repair_order from order_entry e where e.shop = current_shop() and e.lot = $3)
order by l.last_at desc, l.run desc limit 101
