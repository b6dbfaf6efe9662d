-- in: token hash, now. out: session, person, role and the shop's style; no row when unknown, ended, run out, not touched for too long, or the person has left.
select s.id, s.account, s.entry_key, m.name, m.role, h.shop, h.name as shop_name, h.locale, h.time_zone, h.paper, h.torque_unit, h.second_signature, h.idle_minutes, h.retention_months
from session s
join membership m on m.shop = s.shop and m.account = s.account and m.active
join shop h on h.shop = s.shop
where s.token_hash = $1 and s.expires_at > $2 and s.ended_at is null and s.seen_at > $2 - h.idle_minutes * interval '1 minute'
