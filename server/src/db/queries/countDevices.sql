-- in: since. out: how many devices were signed in and used in this shop since then.
select count(*)::int as devices from session where shop = current_shop() and seen_at >= $1
