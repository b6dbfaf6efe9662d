-- in: sheet. out: where it is used: order, its number, joint, revision, state of its tightening or null.
select o.id as order_id, o.number, j.id as "jointId", j.name as joint, j.revision, r.state
from joint j join job b on b.shop = j.shop and b.id = j.job join repair_order o on o.shop = b.shop and o.id = b.repair_order
left join lateral (
  select max(u.state) as state from run u where u.shop = j.shop and u.joint = j.id and u.part = 'procedure') r on true
where j.shop = current_shop() and j.sheet = $1
order by o.number desc
limit 50
