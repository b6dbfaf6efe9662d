-- in: follow-up, expected day.
update follow_up set due_on = $2 where shop = current_shop() and id = $1
