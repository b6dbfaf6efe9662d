-- in: job. out: its id, where it is this shop's.
select id from job where shop = current_shop() and id = $1
