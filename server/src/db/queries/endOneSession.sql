-- in: session, person, now. out: a row where it was on.
update session set ended_at = $3 where shop = current_shop() and id = $1 and account = $2 and ended_at is null returning id
