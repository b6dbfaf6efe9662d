-- in: repair order's number, or null for all. out: runs, the first one first.
select run from run_line where shop = current_shop() and ($1::text is null or number = $1) order by last_at
