-- in: run. out: what was said of it, in its order.
select id, body from statement where shop = current_shop() and run = $1 order by at, id
