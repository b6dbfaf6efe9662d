-- in: –. out: joints whose sheet revision no longer stands, with their order and their run's state; those not begun first.
select j.sheet, j.revision, r.superseded_by as by, r.title, o.id as order, o.number, j.id as joint, j.name as "jointName", u.state
from joint j
join sheet_revision r on r.shop = j.shop and r.sheet = j.sheet and r.revision = j.revision and r.status = 'superseded'
join job b on b.shop = j.shop and b.id = j.job
join repair_order o on o.shop = b.shop and o.id = b.repair_order
left join run u on u.shop = j.shop and u.joint = j.id
where j.shop = current_shop() and r.superseded_by is not null and coalesce(u.state, '') <> 'finished'
order by u.state nulls first, o.number, j.place
limit 500
