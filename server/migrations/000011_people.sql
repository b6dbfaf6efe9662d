-- People come and go: sessions that are seen and ended, roles and leaving, passwords that a lead has reset, and who did what at the door.

-- A session is ended, not deleted, as long as something that was confirmed in it may still be on its way.
-- entry_key: proves of an entry that it was confirmed while this session was on (server/http/proofs).
alter table session
  add column id uuid not null default gen_random_uuid(),
  add column seen_at timestamptz,
  add column ended_at timestamptz,
  add column entry_key bytea not null default sha256(convert_to(gen_random_uuid()::text || gen_random_uuid()::text, 'UTF8')),
  add column device text not null default '',
  add column address text not null default '';
update session set seen_at = created_at;
alter table session alter column seen_at set not null, alter column entry_key drop default, alter column id drop default;
create unique index session_id on session (shop, id);
create index session_of_account on session (shop, account);
grant update (seen_at, ended_at) on session to stennet_app;

alter table membership add column active boolean not null default true;
grant update (active) on membership to stennet_app;
grant delete on pin to stennet_app;

-- Minutes without a touch after which a session asks who it is.
alter table shop add column idle_minutes integer not null default 240 check (idle_minutes between 5 and 840);
grant update (idle_minutes, time_zone) on shop to stennet_app;

-- The key that a name is signed in by is folded by core, not by the database's own rules; look: two that are drawn alike are one.
alter table account add column name_look text unique;
update account set name_look = name_key;

drop function make_first_shop(uuid, text, text, text, text, text, uuid, text, text);
create function make_first_shop(new_shop uuid, shop_name text, new_locale text, zone text, new_paper text, unit text, person uuid, person_name text, key text, look text, hash text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  perform pg_advisory_xact_lock(7341);
  if exists (select 1 from account) then return false; end if;
  perform set_config('stennet.shop', new_shop::text, true);
  insert into account (id, name, name_key, name_look, password_hash) values (person, person_name, key, look, hash);
  insert into shop (shop, name, locale, time_zone, paper, torque_unit) values (new_shop, shop_name, new_locale, zone, new_paper, unit);
  insert into membership (shop, account, name, role) values (new_shop, person, person_name, 'lead');
  return true;
end $$;

drop function add_person(uuid, text, text, text);
create function add_person(person uuid, person_name text, key text, look text, hash text, new_role text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  if current_shop() is null then return false; end if;
  insert into account (id, name, name_key, name_look, password_hash) values (person, person_name, key, look, hash) on conflict do nothing;
  if not found then return false; end if;
  insert into membership (shop, account, name, role) values (current_shop(), person, person_name, new_role);
  return true;
end $$;

create or replace function shops_of(wanted uuid) returns table (shop uuid, shop_name text, role text)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select m.shop, s.name, m.role from membership m join shop s on s.shop = m.shop where m.account = wanted and m.active order by m.role, s.name $$;

-- A code that a lead gives out: with it a new password is set, once.
create table reset_code (
  account uuid primary key references account on delete cascade,
  code_hash bytea not null,
  ends_at timestamptz not null
);

-- Only for people of the shop that is asked from, and of no other: a lead of one shop opens no door of another.
create function give_code(person uuid, hash bytea, until timestamptz) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  if shops_count(person) > 1 or not exists (select 1 from membership m where m.shop = current_shop() and m.account = person) then return false; end if;
  insert into reset_code values (person, hash, until) on conflict (account) do update set code_hash = hash, ends_at = until;
  return true;
end $$;
create function take_code(person uuid, hash bytea, new_password text, moment timestamptz) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  delete from reset_code where account = person and code_hash = hash and ends_at > moment;
  if not found then return false; end if;
  update account set password_hash = new_password where id = person;
  return true;
end $$;
-- known: what the one who changes it has just been asked for.
create function change_password(person uuid, known text, new_password text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  update account set password_hash = new_password where id = person and password_hash = known;
  return found;
end $$;
create function ends_sessions(person uuid, but bytea, moment timestamptz) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ update session set ended_at = moment where account = person and ended_at is null and token_hash is distinct from but $$;
create function shops_count(person uuid) returns bigint
  language sql stable security definer set search_path = public, pg_temp
  as $$ select count(*) from membership m where m.account = person $$;
create function forget_devices(person uuid) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from known_device where account = person $$;

grant create on schema public to stennet_door;
alter function ends_sessions(uuid, bytea, timestamptz) owner to stennet_door;
alter function shops_count(uuid) owner to stennet_door;
revoke create on schema public from stennet_door;
grant select, update (ended_at) on session to stennet_door;
create policy door on session to stennet_door using (true) with check (true);

revoke all on function shops_count(uuid) from public;
grant execute on function shops_count(uuid) to stennet_owner;

-- Who did what at the door, when and from where. Added to only; what is older than the shop keeps it for is dropped.
create table security_event (
  shop uuid not null references shop,
  at timestamptz not null,
  kind text not null,
  person uuid,
  about uuid,
  address text not null,
  device text not null
);
create index security_event_at on security_event (shop, at desc);
alter table security_event enable row level security;
alter table security_event force row level security;
create policy own_shop on security_event using (shop = current_shop()) with check (shop = current_shop());
grant select, insert, delete on security_event to stennet_app;

revoke all on function make_first_shop(uuid, text, text, text, text, text, uuid, text, text, text, text), add_person(uuid, text, text, text, text, text),
  give_code(uuid, bytea, timestamptz), take_code(uuid, bytea, text, timestamptz), change_password(uuid, text, text), ends_sessions(uuid, bytea, timestamptz),
  shops_count(uuid), forget_devices(uuid) from public;
grant execute on function make_first_shop(uuid, text, text, text, text, text, uuid, text, text, text, text), add_person(uuid, text, text, text, text, text),
  give_code(uuid, bytea, timestamptz), take_code(uuid, bytea, text, timestamptz), change_password(uuid, text, text), ends_sessions(uuid, bytea, timestamptz),
  shops_count(uuid), forget_devices(uuid) to stennet_app;
