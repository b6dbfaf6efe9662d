-- in: repair order. out: its runs, in the order of the work.
select u.id, u.state
from run u
join joint t on t.shop = u.shop and t.id = u.joint
join job j on j.shop = t.shop and j.id = t.job
where u.shop = current_shop() and j.repair_order = $1
order by j.place, t.place, u.part desc, u.instance
