-- in: token hash, now. Ended, and kept as long as entries that were confirmed in it may be on their way.
with old as (delete from session where shop = current_shop() and expires_at < $2::timestamptz - interval '60 days')
update session set ended_at = $2 where shop = current_shop() and token_hash = $1 and ended_at is null
