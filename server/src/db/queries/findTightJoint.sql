-- in: run. out: its joint with the parts and places that are finished, whose vehicle it is, and the shop's zone.
select t.id as joint, o.id as "order", o.vin, o.vehicle ->> 'built' as built, o.odometer_value as value, o.odometer_unit as unit, s.body as sheet, s.instances,
  (select json_agg(json_build_object('part', x.part, 'instance', nullif(x.instance, ''), 'state', x.state)) from run x where x.shop = u.shop and x.joint = u.joint) as runs, u.part, p.time_zone as "timeZone"
from run u
join shop p on p.shop = u.shop
join joint t on t.shop = u.shop and t.id = u.joint
join job j on j.shop = t.shop and j.id = t.job
join repair_order o on o.shop = j.shop and o.id = j.repair_order
join sheet_revision s on s.shop = u.shop and s.sheet = u.sheet and s.revision = u.revision
where u.shop = current_shop() and u.id = $1
