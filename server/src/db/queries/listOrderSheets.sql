-- in: order. out: the sheet of each joint, in the order they are met.
select j.id as job, j.title, t.id as joint, t.name, s.body
from job j join joint t on t.shop = j.shop and t.job = j.id
join sheet_revision s on s.shop = t.shop and s.sheet = t.sheet and s.revision = t.revision
where j.shop = current_shop() and j.repair_order = $1
order by j.place, t.place
