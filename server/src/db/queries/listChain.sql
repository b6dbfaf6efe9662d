-- in: run. out: its list as it was hashed and sealed, in order.
select body, hash, seal, late_ms::double precision as "lateMs" from run_event where shop = current_shop() and run = $1 order by position
