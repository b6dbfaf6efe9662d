-- in: token hash, now. out: account, name, role and the shop's style; no row when unknown or run out.
select s.account, m.name, m.role, h.shop, h.name as shop_name, h.locale, h.time_zone, h.paper, h.torque_unit, h.second_signature
from session s
join membership m on m.shop = s.shop and m.account = s.account
join shop h on h.shop = s.shop
where s.token_hash = $1 and s.expires_at > $2
