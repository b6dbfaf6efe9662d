-- in: token hash, now. Someone's hand was on it.
update session set seen_at = $2 where shop = current_shop() and token_hash = $1 and ended_at is null
