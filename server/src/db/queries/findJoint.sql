-- in: joint. out: the joint with its order and the sheet revision it is tightened by.
select t.id as joint, o.id as order_id, o.number, o.vehicle, j.title as job, t.name, t.sheet, t.revision, s.body, s.hash, s.superseded_by
from joint t
join job j on j.shop = t.shop and j.id = t.job
join repair_order o on o.shop = j.shop and o.id = j.repair_order
join sheet_revision s on s.shop = t.shop and s.sheet = t.sheet and s.revision = t.revision
where t.shop = current_shop() and t.id = $1
