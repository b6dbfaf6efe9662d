-- in: run. out: what is kept of it; nobody else changes it meanwhile.
select body from foreign_record where shop = current_shop() and run = $1 for update
