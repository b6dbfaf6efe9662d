-- The house: shops and people, sheets and wrenches, repair orders and runs.
-- Every table carries its shop first in its key; row-level security keeps shops apart even where a query forgets.
-- account and sign_in_attempt have no shop yet when they are asked; the server reaches them by functions only.

create function current_shop() returns uuid language sql stable
  return nullif(current_setting('stennet.shop', true), '')::uuid;

create table account (
  id uuid primary key,
  name text not null,
  name_key text not null unique,
  password_hash text not null
);

create table sign_in_attempt (
  attempt_key text not null,
  at timestamptz not null
);
create index sign_in_attempt_key on sign_in_attempt (attempt_key, at);

create table shop (
  shop uuid primary key,
  name text not null,
  locale text not null,
  time_zone text not null,
  paper text not null check (paper in ('A4', 'Letter')),
  torque_unit text not null
);

create table membership (
  shop uuid not null references shop,
  account uuid not null references account,
  name text not null,
  role text not null check (role in ('lead', 'technician', 'adviser', 'apprentice', 'owner')),
  primary key (shop, account)
);

create table session (
  shop uuid not null,
  token_hash bytea not null,
  account uuid not null,
  created_at timestamptz not null,
  expires_at timestamptz not null,
  primary key (shop, token_hash),
  foreign key (shop, account) references membership (shop, account) on delete cascade
);

create table sheet_revision (
  shop uuid not null references shop,
  sheet text not null,
  revision text not null,
  title text not null,
  body text not null,
  hash text not null,
  primary key (shop, sheet, revision)
);

create table wrench (
  shop uuid not null references shop,
  id uuid not null,
  name text not null,
  kind text not null check (kind in ('click', 'dial', 'digital')),
  unit text not null,
  min double precision not null,
  max double precision not null,
  graduation double precision not null,
  calibrated_until date not null,
  primary key (shop, id)
);

create table repair_order (
  shop uuid not null references shop,
  id uuid not null,
  number text not null,
  vehicle jsonb not null,
  odometer_value integer not null,
  odometer_unit text not null check (odometer_unit in ('km', 'mi')),
  customer text not null,
  concern text not null,
  bay text,
  promised_at timestamptz,
  state text not null check (state in ('open', 'waiting', 'out', 'inWork', 'toCheck', 'done', 'handedOver')),
  primary key (shop, id),
  unique (shop, number)
);

create table job (
  shop uuid not null,
  id uuid not null,
  repair_order uuid not null,
  title text not null,
  place integer not null,
  primary key (shop, id),
  foreign key (shop, repair_order) references repair_order (shop, id)
);
create index job_of_order on job (shop, repair_order);

create table joint (
  shop uuid not null,
  id uuid not null,
  job uuid not null,
  name text not null,
  place integer not null,
  sheet text not null,
  revision text not null,
  primary key (shop, id),
  foreign key (shop, job) references job (shop, id),
  foreign key (shop, sheet, revision) references sheet_revision (shop, sheet, revision)
);
create index joint_of_job on joint (shop, job);

-- A run's head: what its list of events has come to. Everything here can be computed again from run_event.
create table run (
  shop uuid not null,
  id uuid not null,
  joint uuid not null,
  sheet text not null,
  revision text not null,
  state text not null check (state in ('open', 'paused', 'finished')),
  holder_person uuid not null,
  holder_device uuid not null,
  holder_device_name text not null,
  hold integer not null,
  last_seq integer not null,
  last_position integer not null,
  head_hash text not null,
  last_at timestamptz not null,
  standing jsonb not null,
  primary key (shop, id),
  foreign key (shop, joint) references joint (shop, id),
  foreign key (shop, sheet, revision) references sheet_revision (shop, sheet, revision)
);
-- One run per joint: an open one is carried on, a finished one is the joint's record.
create unique index run_one_per_joint on run (shop, joint);

-- What a technician confirmed, once each, in order. body is the canonical JSON that was hashed; never changed.
create table run_event (
  shop uuid not null,
  run uuid not null,
  position integer not null,
  id uuid not null,
  hold integer not null,
  seq integer not null,
  type text not null,
  person uuid not null,
  body text not null,
  hash text not null,
  primary key (shop, run, position),
  unique (shop, id),
  unique (shop, run, hold, seq),
  foreign key (shop, run) references run (shop, id)
);

do $$
declare t text;
begin
  foreach t in array array['shop', 'membership', 'session', 'sheet_revision', 'wrench', 'repair_order', 'job', 'joint', 'run', 'run_event'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
end $$;

-- Before signing in there is no shop. These few functions are all that the server sees of what lies outside one.
create function find_account(wanted text) returns table (id uuid, name text, password_hash text)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select a.id, a.name, a.password_hash from account a where a.name_key = wanted $$;

-- membership is under row-level security also for its owner; this runs as stennet_door, who may read it across shops.
create function shops_of(wanted uuid) returns table (shop uuid, shop_name text, role text)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select m.shop, s.name, m.role from membership m join shop s on s.shop = m.shop where m.account = wanted order by m.role, s.name $$;
-- Only a role that may create here can be given a function.
grant create on schema public to stennet_door;
alter function shops_of(uuid) owner to stennet_door;
revoke create on schema public from stennet_door;
grant select on membership, shop to stennet_door;
create policy door on membership for select to stennet_door using (true);
create policy door on shop for select to stennet_door using (true);

create function recent_attempts(wanted text, since timestamptz) returns bigint
  language sql stable security definer set search_path = public, pg_temp
  as $$ select count(*) from sign_in_attempt where attempt_key = wanted and at > since $$;
create function note_attempt(wanted text, moment timestamptz) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ insert into sign_in_attempt values (wanted, moment); delete from sign_in_attempt where at < moment - interval '1 day' $$;
create function forget_attempts(wanted text) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from sign_in_attempt where attempt_key = wanted $$;

revoke all on all functions in schema public from public;
grant execute on function current_shop(), find_account(text), shops_of(uuid), recent_attempts(text, timestamptz), note_attempt(text, timestamptz), forget_attempts(text) to stennet_app;
grant execute on function current_shop() to stennet_door;
grant select on shop, membership, session, sheet_revision, wrench, repair_order, job, joint, run, run_event to stennet_app;
grant insert on session, run, run_event to stennet_app;
grant delete on session to stennet_app;
grant update (state, holder_person, holder_device, holder_device_name, hold, last_seq, last_position, head_hash, last_at, standing) on run to stennet_app;
