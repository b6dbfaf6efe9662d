-- in: run. out: what is kept of it; no one else changes it in the meantime.
select body from foreign_record where shop = current_shop() and run = $1 for update
