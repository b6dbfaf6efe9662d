-- Photos and curves may lie in a folder or a bucket under their hash; null: there. What is here already stays here.
alter table photo alter column bytes drop not null;
alter table trace alter column body drop not null;

-- A signed run whose list lies in a record file: since when, how long each entry had lain on its device, and whose hand was on it.
alter table run
  add column away_at timestamptz,
  add column away_late bigint[],
  add column away_hands uuid[];
create index run_signed on run (shop, last_at) where signing = 'signed' and away_at is null;
