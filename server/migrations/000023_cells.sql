-- A shop lives in one cell. One that has moved leaves word of where it is now; whoever comes for it is sent on.
create table moved_shop (
  shop uuid primary key,
  cell text not null,
  at timestamptz not null
);
-- Private calendar addresses of shops that have moved.
create table moved_feed (
  token_hash bytea primary key,
  shop uuid not null
);

-- Every transaction of a server in a cell begins with this. It waits while the shop is being moved. Null: the shop is here.
-- Two statements: the second sees what was committed while the first waited.
create function enter_shop(wanted uuid) returns text
  language plpgsql security definer set search_path = public, pg_temp set lock_timeout = '2s'
  as $$
begin
  perform set_config('stennet.shop', wanted::text, true);
  perform pg_advisory_xact_lock_shared(hashtextextended('shop ' || wanted, 0));
  return (select m.cell from moved_shop m where m.shop = wanted);
end $$;
revoke all on function enter_shop(uuid) from public;
grant execute on function enter_shop(uuid) to stennet_app;

create or replace function find_feed(wanted bytea) returns table (shop uuid, account uuid)
  language sql stable security definer set search_path = public, pg_temp
  as $$
  select f.shop, f.account from feed f where f.token_hash = wanted
  union all select m.shop, null from moved_feed m where m.token_hash = wanted
$$;
grant select on moved_feed to stennet_door;
