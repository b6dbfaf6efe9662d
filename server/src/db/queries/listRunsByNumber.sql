-- in: repair order's number. out: its runs, the first one first.
select run from run_line where shop = current_shop() and number = $1 order by last_at
