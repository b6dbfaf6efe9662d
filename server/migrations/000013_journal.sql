-- Every change of a guarded row is written into a chain of the shop, sealed with the shop's key before it is committed.
-- Who changes, adds or removes a row past the server cannot make that seal: `./stennet verify` names what does not stand in the chain.

create table journal (
  shop uuid not null references shop,
  place bigint not null,
  body text not null,
  hash text not null,
  seal text not null,
  primary key (shop, place)
);
alter table journal enable row level security;
alter table journal force row level security;
create policy own_shop on journal using (shop = current_shop()) with check (shop = current_shop());
grant select, insert on journal to stennet_app;

-- What the transaction under way has changed so far; the triggers that write it are made by server/src/journal/guarded.ts.
-- Unlogged: after a crash no transaction is under way.
create unlogged table unsealed (
  transaction xid8 not null,
  place bigint generated always as identity,
  shop uuid not null,
  "table" text not null,
  key text not null,
  label text,
  of text,
  digest text,
  primary key (transaction, place)
);

create function take_unsealed() returns table (shop uuid, "table" text, key text, label text, of text, digest text)
  language sql security definer set search_path = public, pg_temp
  as $$
  with taken as (delete from unsealed u where u.transaction = pg_current_xact_id_if_assigned() returning u.*)
  select t.shop, t."table", t.key, t.label, t.of, t.digest from taken t order by t.place
$$;
revoke all on function take_unsealed() from public;
grant execute on function take_unsealed() to stennet_app;

-- A shop whose own row was taken away still has its journal.
grant select on journal to stennet_door;
create policy door on journal for select to stennet_door using (true);
create or replace function shop_ids() returns table (shop uuid)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select s.shop from shop s union select j.shop from journal j $$;
