-- in: run. out: everything of a run but its list: order, joint, pinned sheet, where its signing stands; no row when there is none.
select u.id, u.part, u.instance, u.state, u.signing, u.head_hash, u.last_position, u.sheet as sheet_id, u.revision,
  t.id as joint_id, t.name as joint, o.id as order_id, o.number, o.vehicle, o.odometer_value, o.odometer_unit, o.customer,
  s.body as sheet, s.hash as sheet_hash, s.instances
from run u
join joint t on t.shop = u.shop and t.id = u.joint
join job j on j.shop = t.shop and j.id = t.job
join repair_order o on o.shop = j.shop and o.id = j.repair_order
join sheet_revision s on s.shop = u.shop and s.sheet = u.sheet and s.revision = u.revision
where u.shop = current_shop() and u.id = $1
