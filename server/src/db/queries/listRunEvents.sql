-- in: run. out: the stored bodies in order.
select body, hash, seal from run_event where shop = current_shop() and run = $1 order by position
