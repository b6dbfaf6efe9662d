-- A joint may have several runs: taking it apart, tightening it, and each again for every bank, cap or cylinder.
alter table run add column part text not null default 'procedure';
-- '' where the joint occurs once.
alter table run add column instance text not null default '';
drop index run_one_per_joint;
-- One run for each: an open one is carried on, a finished one is the record.
create unique index run_one_per_place on run (shop, joint, part, instance);

-- What lists need of a sheet without reading it whole.
alter table sheet_revision add column instances jsonb generated always as (body::jsonb -> 'instances') stored;
alter table sheet_revision add column takes_apart boolean generated always as (jsonb_array_length(coalesce(body::jsonb -> 'takeApart', '[]'::jsonb)) > 0) stored;
