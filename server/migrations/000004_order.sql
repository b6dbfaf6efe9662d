-- The repair order as people write it, what the shop has for tightening, and what a lead says.
-- Entries of a repair order are only ever added to: each save is the next version, so that nothing is written over.

alter table repair_order
  add column version integer not null default 1,
  add column opened_at timestamptz not null default now(),
  add column changed_by uuid,
  add column changed_at timestamptz;
create index repair_order_newest on repair_order (shop, opened_at desc);
alter table job add column kind text not null default 'other';

create table order_entry (
  shop uuid not null,
  id uuid not null,
  version integer not null,
  repair_order uuid not null,
  body text not null,
  gone boolean not null,
  person uuid not null,
  at timestamptz not null,
  primary key (shop, id, version),
  foreign key (shop, repair_order) references repair_order (shop, id),
  foreign key (shop, person) references membership (shop, account)
);
create index order_entry_of_order on order_entry (shop, repair_order, id, version desc);

-- Every tool of the shop, wrenches among them; body is core's ShopTool.
create table shop_tool (
  shop uuid not null references shop,
  id uuid not null,
  kind text not null,
  name text not null,
  body jsonb not null,
  version integer not null,
  retired boolean not null,
  changed_by uuid,
  changed_at timestamptz not null,
  primary key (shop, id)
);
-- The owner of the tables is held by row-level security too; it has to see all shops' rows once.
alter table wrench no force row level security;
insert into shop_tool
  select shop, id, kind, name,
    jsonb_build_object('kind', kind, 'name', name, 'unit', unit, 'min', min, 'max', max, 'graduation', graduation, 'calibratedUntil', to_char(calibrated_until, 'YYYY-MM-DD')),
    1, false, null, now()
  from wrench;
drop table wrench;

-- Said by a lead; the run's holder takes it in as an event. Never changed.
create table statement (
  shop uuid not null,
  id uuid not null,
  run uuid not null,
  person uuid not null,
  body text not null,
  at timestamptz not null,
  primary key (shop, id),
  foreign key (shop, run) references run (shop, id),
  foreign key (shop, person) references membership (shop, account)
);
create index statement_of_run on statement (shop, run);

create table pin (
  shop uuid not null,
  account uuid not null,
  hash text not null,
  set_at timestamptz not null,
  primary key (shop, account),
  foreign key (shop, account) references membership (shop, account) on delete cascade
);

-- By the hash of the bytes that are kept; taken in pieces, so that a bad network can go on where it stopped.
create table photo (
  shop uuid not null references shop,
  photo text not null,
  bytes bytea not null,
  width integer not null,
  height integer not null,
  person uuid not null,
  at timestamptz not null,
  primary key (shop, photo)
);
create table photo_piece (
  shop uuid not null references shop,
  sent text not null,
  person uuid not null,
  start integer not null,
  bytes bytea not null,
  at timestamptz not null,
  primary key (shop, sent, person, start)
);

-- Whoever sets a PIN proves with their password that it is they; an account has no shop, so it is asked at the door.
create function password_of(wanted uuid) returns text
  language sql stable security definer set search_path = public, pg_temp
  as $$ select a.password_hash from account a where a.id = wanted $$;
revoke all on function password_of(uuid) from public;
grant execute on function password_of(uuid) to stennet_app;

do $$
declare t text;
begin
  foreach t in array array['order_entry', 'shop_tool', 'statement', 'pin', 'photo', 'photo_piece'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
end $$;

grant select, insert on order_entry, statement, photo to stennet_app;
grant select, insert, update on shop_tool, pin to stennet_app;
grant select, insert, delete on photo_piece to stennet_app;
grant insert on repair_order, job to stennet_app;
grant update (number, vehicle, odometer_value, odometer_unit, customer, concern, bay, promised_at, state, version, changed_by, changed_at) on repair_order to stennet_app;
