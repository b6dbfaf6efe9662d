-- A confirmation asked the database seventeen times; most of it was waiting. These say in one answer what took several.

-- How many entries a device says it has that the server has not, when it last asked for anything: the lead sees whose phone still waits.
alter table session add column unsent integer not null default 0 check (unsent >= 0);
grant update (unsent) on session to stennet_app;

-- Who asks, in which shop, and that a hand was on it, noted every half minute at most. On its own, this is a transaction.
create function enter_session(wanted uuid, token bytea, moment timestamptz, is_touched boolean, in_cell boolean, waiting integer)
  returns table (moved text, id uuid, account uuid, entry_key bytea, name text, role text, shop uuid, shop_name text, locale text, time_zone text,
    paper text, torque_unit text, second_signature boolean, idle_minutes integer, retention_months integer)
  language plpgsql
  as $$
  #variable_conflict use_column
begin
  if in_cell then
    moved := enter_shop(wanted);
    if moved is not null then return next; return; end if;
  else
    perform set_config('stennet.shop', wanted::text, true);
  end if;
  return query
    select null::text, s.id, s.account, s.entry_key, m.name, m.role, h.shop, h.name, h.locale, h.time_zone, h.paper, h.torque_unit,
      h.second_signature, h.idle_minutes, h.retention_months
    from session s
    join membership m on m.shop = s.shop and m.account = s.account and m.active
    join shop h on h.shop = s.shop
    where s.shop = wanted and s.token_hash = token and s.expires_at > moment and s.ended_at is null
      and s.seen_at > moment - h.idle_minutes * interval '1 minute';
  if found then
    update session s set seen_at = case when is_touched then moment else s.seen_at end, unsent = waiting
      where s.shop = wanted and s.token_hash = token and s.ended_at is null
        and (s.unsent <> waiting or is_touched and s.seen_at < moment - interval '30 seconds');
  end if;
end $$;
revoke all on function enter_session(uuid, bytea, timestamptz, boolean, boolean, integer) from public;
grant execute on function enter_session(uuid, bytea, timestamptz, boolean, boolean, integer) to stennet_app;

-- What this transaction has changed, by shop, and where the shop's journal ends. From here on no one else writes in it until this one ends.
create function take_unsealed_to_seal() returns table (shop uuid, changes json, place bigint, hash text, key text)
  language plpgsql security definer set search_path = public, pg_temp
  as $$
  #variable_conflict use_column
begin
  for shop, changes in
    select t.shop, json_agg(json_build_object('table', t."table", 'key', t.key, 'label', t.label, 'of', t.of, 'digest', t.digest) order by t.at)
    from (select u.*, row_number() over () as at from take_unsealed() u) t group by t.shop
  loop
    perform set_config('stennet.shop', shop::text, true);
    perform pg_advisory_xact_lock(hashtextextended('journal ' || shop, 0));
    place := null;
    select j.place, j.hash, j.body::json ->> 'key' into place, hash, key from journal j where j.shop = current_shop() order by j.place desc limit 1;
    return next;
  end loop;
end $$;
revoke all on function take_unsealed_to_seal() from public;
grant execute on function take_unsealed_to_seal() to stennet_app;
