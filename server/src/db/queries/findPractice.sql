-- in: id. out: whose it is, and what was done in it.
select person, log from practice_attempt where shop = current_shop() and id = $1
