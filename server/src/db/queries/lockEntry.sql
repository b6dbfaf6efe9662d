-- in: entry. Until the end of the transaction no one else writes a version of it.
select pg_advisory_xact_lock(hashtextextended('entry ' || current_shop() || ' ' || $1::text, 0))
