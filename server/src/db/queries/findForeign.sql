-- in: run. out: a record from elsewhere, as it came.
select body from foreign_record where shop = current_shop() and run = $1
