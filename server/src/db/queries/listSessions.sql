-- in: person, now. out: their sessions that are on, the last one touched first.
select s.id, s.token_hash, s.device, s.address, s.created_at as "at", s.seen_at as "seenAt" from session s join shop h on h.shop = s.shop
where s.shop = current_shop() and s.account = $1 and s.expires_at > $2 and s.ended_at is null and s.seen_at > $2 - h.idle_minutes * interval '1 minute'
order by s.seen_at desc
