-- How many entries a device says it has that the server has not, when it last asked for anything: the lead sees whose phone still waits.
alter table session add column unsent integer not null default 0 check (unsent >= 0);
grant update (unsent) on session to stennet_app;

drop function enter_session(uuid, bytea, timestamptz, boolean, boolean);
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
