-- in: run, where its signing stands.
update run set signing = $2 where shop = current_shop() and id = $1
