-- out: who belongs or belonged to the shop, and who has a PIN.
select m.account as id, m.name, m.role, m.active, p.account is not null as "hasPin"
from membership m left join pin p on p.shop = m.shop and p.account = m.account
where m.shop = current_shop() order by m.active desc, m.name
