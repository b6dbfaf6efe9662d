-- in: run. out: which late entries of it are kept already.
select id from late_event where shop = current_shop() and run = $1
