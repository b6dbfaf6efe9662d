-- in: shop. From here on this shop's rows exist; the lock on its journal lasts until the transaction ends.
select set_config('stennet.shop', $1::text, true), pg_advisory_xact_lock(hashtextextended('journal ' || $1::text, 0))
