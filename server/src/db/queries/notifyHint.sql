-- in: a hint, “shop topic”. Goes to every server that listens, once the transaction is kept.
select pg_notify('stennet_hint', $1)
