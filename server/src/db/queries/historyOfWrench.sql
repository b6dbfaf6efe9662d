-- in: before when and run or nulls, wrench, from and to day or nulls. out: everything tightened with a wrench in that time, and how its readings lay.
select l.run, l."order", l.number, l.customer, l.vehicle, l.joint, l.part, l.instance, l.state, l.signing, l.sheet, l.revision, l.title, to_json(l.last_at) as at,
  json_build_object('firstAt', w.first_at, 'lastAt', w.last_at, 'pulls', w.pulls, 'readings', w.readings, 'ratio', w.ratio) as use
from wrench_use w join run_line l on l.shop = w.shop and l.run = w.run
where w.shop = current_shop() and w.wrench = $3 and ($4::date is null or w.last_at >= $4::date) and ($5::date is null or w.first_at < $5::date + 1)
  and ($1::timestamptz is null or (l.last_at, l.run) < ($1, $2::uuid))
order by l.last_at desc, l.run desc limit 101
