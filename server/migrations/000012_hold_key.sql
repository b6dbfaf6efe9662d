-- Whoever holds a run shows a secret that only that device has: its id can be read by all who may read the run.
-- null: begun before there were such keys; the first that is shown counts.
alter table run add column hold_key_hash bytea;
grant update (hold_key_hash) on run to stennet_app;
