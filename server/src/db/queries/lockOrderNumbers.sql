-- Until the end of the transaction no one else of this shop is given a number.
select pg_advisory_xact_lock(hashtextextended('repair order number of ' || current_shop(), 0))
