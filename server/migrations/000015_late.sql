-- How long a device had kept an entry when it sent it, by its own clock: waits are judged by when the server had what they began with.
-- null: not said.
alter table run_event add column late_ms bigint;
