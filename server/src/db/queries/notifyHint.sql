-- in: hints, “shop topic”. They go to every server that listens, once the transaction is kept.
select pg_notify('stennet_hint', hint) from unnest($1::text[]) hint
