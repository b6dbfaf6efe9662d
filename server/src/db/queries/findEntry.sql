-- in: entry. out: its newest version.
select e.version, e.body, e.gone, e.repair_order, e.at, m.name as by
from order_entry e join membership m on m.shop = e.shop and m.account = e.person
where e.shop = current_shop() and e.id = $1
order by e.version desc limit 1
