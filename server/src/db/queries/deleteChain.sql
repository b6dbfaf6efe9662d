-- in: run that was put away. Its list leaves the table.
delete from run_event e using run u where e.shop = current_shop() and e.run = $1 and u.shop = e.shop and u.id = e.run and u.away_at is not null
