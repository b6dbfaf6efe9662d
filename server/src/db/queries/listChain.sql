-- in: run. out: its list as it was hashed and sealed, in order.
select body, hash, seal from run_event where shop = current_shop() and run = $1 order by position
