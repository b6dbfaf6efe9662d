-- in: before when (last use) and run or nulls, wrench, from and to day of the shop or nulls. out: everything tightened with a wrench in that time, and how its
-- readings lay, the latest use first. The page is cut before it is joined: a wrench may have tens of thousands.
select l.run, l."order", l.number, l.customer, l.vehicle, l.joint, l.part, l.instance, l.state, l.signing, l.sheet, l.revision, l.title, to_json(l.last_at) as at,
  json_build_object('firstAt', w.first_at, 'lastAt', w.last_at, 'pulls', w.pulls, 'readings', w.readings, 'ratio', w.ratio) as use
from (
  select u.* from wrench_use u join shop s on s.shop = u.shop
  where u.shop = current_shop() and u.wrench = $3
    and ($4::date is null or u.last_at >= $4::timestamp at time zone s.time_zone)
    and ($5::date is null or u.first_at < ($5::date + 1)::timestamp at time zone s.time_zone)
    and ($1::timestamptz is null or (u.last_at, u.run) < ($1, $2::uuid))
  order by u.last_at desc, u.run desc limit 101) w
join run_line l on l.shop = w.shop and l.run = w.run
order by w.last_at desc, w.run desc
