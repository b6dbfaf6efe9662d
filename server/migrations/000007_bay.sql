-- The bay: late entries of a device that lost its hold, shared phones, the first visit, and people that a lead adds.

-- Confirmed on a device whose hold had ended before they arrived: kept whole, outside the run's own list. Never changed.
create table late_event (
  shop uuid not null,
  run uuid not null,
  id uuid not null,
  hold integer not null,
  seq integer not null,
  person uuid not null,
  body text not null,
  statement uuid,
  at timestamptz not null,
  primary key (shop, id),
  foreign key (shop, run) references run (shop, id),
  foreign key (shop, person) references membership (shop, account)
);
create index late_event_of_run on late_event (shop, run, hold, seq);

-- Who may take a shared device over with a PIN: enrolled there once, with their password. Only the hash of the device's secret is kept.
create table enrolment (
  shop uuid not null,
  device uuid not null,
  account uuid not null,
  secret_hash bytea not null,
  at timestamptz not null,
  primary key (shop, device, account),
  foreign key (shop, account) references membership (shop, account) on delete cascade
);

do $$
declare t text;
begin
  foreach t in array array['late_event', 'enrolment'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
end $$;
grant select, insert on late_event to stennet_app;
grant select, insert, delete on enrolment to stennet_app;

-- The first visit of an installation: nobody is there yet.
create function needs_first_shop() returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select not exists (select 1 from account) $$;

create function make_first_shop(new_shop uuid, shop_name text, new_locale text, zone text, new_paper text, unit text, person uuid, person_name text, hash text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  perform pg_advisory_xact_lock(7341);
  if exists (select 1 from account) then return false; end if;
  perform set_config('stennet.shop', new_shop::text, true);
  insert into account values (person, person_name, lower(person_name), hash);
  insert into shop (shop, name, locale, time_zone, paper, torque_unit) values (new_shop, shop_name, new_locale, zone, new_paper, unit);
  insert into membership values (new_shop, person, person_name, 'lead');
  return true;
end $$;

-- A lead adds a person to their own shop; a name belongs to one person of the whole installation.
create function add_person(person uuid, person_name text, hash text, new_role text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  if current_shop() is null then return false; end if;
  insert into account values (person, person_name, lower(person_name), hash) on conflict (name_key) do nothing;
  if not found then return false; end if;
  insert into membership values (current_shop(), person, person_name, new_role);
  return true;
end $$;
revoke all on function needs_first_shop(), make_first_shop(uuid, text, text, text, text, text, uuid, text, text), add_person(uuid, text, text, text) from public;
grant execute on function needs_first_shop(), make_first_shop(uuid, text, text, text, text, text, uuid, text, text), add_person(uuid, text, text, text) to stennet_app;
grant update (role) on membership to stennet_app;
