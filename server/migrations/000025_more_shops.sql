-- One installation has several shops. Whoever runs the server gives out a code for each more; it works once.
create table shop_code (
  hash bytea primary key,
  ends_at timestamptz not null
);

create function is_shop_code(code bytea, moment timestamptz) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select exists (select 1 from shop_code c where c.hash = code and c.ends_at > moment) $$;

-- By a code, or without one where there is no one yet. A person who is here already has no password hash, and leads one shop more.
drop function make_first_shop(uuid, text, text, text, text, text, uuid, text, text, text, text);
create function make_shop(code bytea, moment timestamptz, new_shop uuid, shop_name text, new_locale text, zone text, new_paper text, unit text,
    person uuid, person_name text, key text, look text, password text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
begin
  perform pg_advisory_xact_lock(7341);
  if code is null then
    if exists (select 1 from account) then return false; end if;
  else
    delete from shop_code c where c.hash = code and c.ends_at > moment;
    if not found then return false; end if;
  end if;
  perform set_config('stennet.shop', new_shop::text, true);
  if password is not null then
    insert into account (id, name, name_key, name_look, password_hash) values (person, person_name, key, look, password);
  end if;
  insert into shop (shop, name, locale, time_zone, paper, torque_unit) values (new_shop, shop_name, new_locale, zone, new_paper, unit);
  insert into membership (shop, account, name, role) select new_shop, a.id, a.name, 'lead' from account a where a.id = person;
  return true;
end $$;

revoke all on function is_shop_code(bytea, timestamptz), make_shop(bytea, timestamptz, uuid, text, text, text, text, text, uuid, text, text, text, text) from public;
grant execute on function is_shop_code(bytea, timestamptz), make_shop(bytea, timestamptz, uuid, text, text, text, text, text, uuid, text, text, text, text) to stennet_app;
