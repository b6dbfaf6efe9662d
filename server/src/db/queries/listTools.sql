-- out: the shop's tools, those put away too.
select t.id, t.body as tool, t.version, t.retired, to_json(t.changed_at) as "changedAt", m.name as "changedBy"
from shop_tool t left join membership m on m.shop = t.shop and m.account = t.changed_by
where t.shop = current_shop() order by t.name
