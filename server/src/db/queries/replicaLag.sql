-- out: seconds that this replica is behind what it heard last; 0 on one that has all of it.
select case when not pg_is_in_recovery() or pg_last_wal_receive_lsn() = pg_last_wal_replay_lsn() then 0
  else extract(epoch from now() - pg_last_xact_replay_timestamp()) end::float as lag_s
