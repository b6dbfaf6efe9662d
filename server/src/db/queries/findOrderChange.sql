-- in: order. out: its version and who changed it last.
select o.version, o.state, o.changed_at, m.name as changed_by
from repair_order o left join membership m on m.shop = o.shop and m.account = o.changed_by
where o.shop = current_shop() and o.id = $1
