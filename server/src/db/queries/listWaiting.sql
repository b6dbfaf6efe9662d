-- in: since. out: devices used in this shop since then that have entries which the server has not.
select m.name as person, s.device, s.seen_at as "seenAt", s.unsent from session s
join membership m on m.shop = s.shop and m.account = s.account
where s.shop = current_shop() and s.unsent > 0 and s.seen_at >= $1 order by s.unsent desc, m.name limit 50
