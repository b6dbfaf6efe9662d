-- The record that nobody can quietly change, who signed it, what falls due afterwards, and where to find it again.

-- The shop's signature over each event's hash. The key lies outside the database: who can write here cannot write that.
alter table run_event add column seal text;

alter table shop
  add column second_signature boolean not null default false;

-- Signed words over a whole run, in order; body is the very text that was signed. Never changed.
create table signed_word (
  shop uuid not null,
  run uuid not null,
  place integer not null,
  id uuid not null,
  kind text not null check (kind in ('technician', 'second', 'addendum')),
  person uuid not null,
  body text not null,
  signature text not null,
  at timestamptz not null,
  primary key (shop, run, place),
  unique (shop, id),
  foreign key (shop, run) references run (shop, id),
  foreign key (shop, person) references membership (shop, account)
);
alter table run add column signing text not null default 'open' check (signing in ('open', 'wantsSecond', 'signed'));

-- Which wrench was used in which run, from when to when: computed from run_event, kept so that a recall finds it at once.
create table wrench_use (
  shop uuid not null,
  run uuid not null,
  wrench uuid not null,
  first_at timestamptz not null,
  last_at timestamptz not null,
  pulls integer not null,
  readings integer not null,
  ratio double precision,
  primary key (shop, run, wrench),
  foreign key (shop, run) references run (shop, id)
);
create index wrench_use_of_wrench on wrench_use (shop, wrench, last_at desc);

-- Lots of fasteners and parts, as they stand on repair orders.
alter table order_entry add column lot text generated always as (case when body::jsonb ->> 'kind' = 'part' then body::jsonb ->> 'lot' end) stored;
create index order_entry_lot on order_entry (shop, lot) where lot is not null;
create index run_of_sheet on run (shop, sheet, revision, last_at desc);
create index run_of_joint on run (shop, joint);
alter table repair_order add column vin text generated always as (upper(vehicle ->> 'vin')) stored;
create index repair_order_vin on repair_order (shop, vin, opened_at desc);
create index joint_of_sheet on joint (shop, sheet);

-- What falls due once a joint is tight.
create table follow_up (
  shop uuid not null,
  id uuid not null,
  repair_order uuid not null,
  joint uuid not null,
  after text not null,
  kind text not null check (kind in ('beforeFirstStart', 'afterFirstStart', 'retighten', 'check', 'fluid')),
  text text not null,
  distance_km double precision,
  days double precision,
  celsius double precision,
  since date not null,
  since_km double precision not null,
  due_on date not null,
  state text not null default 'open' check (state in ('open', 'done', 'declined')),
  note text,
  seen_km double precision,
  person uuid,
  settled_at timestamptz,
  version integer not null default 1,
  primary key (shop, id),
  unique (shop, joint, after),
  foreign key (shop, repair_order) references repair_order (shop, id),
  foreign key (shop, joint) references joint (shop, id)
);
create index follow_up_due on follow_up (shop, due_on) where state = 'open';
create index follow_up_of_order on follow_up (shop, repair_order);

-- A private calendar address: only the hash of its token is kept.
create table feed (
  shop uuid not null,
  account uuid not null,
  token_hash bytea not null unique,
  made_at timestamptz not null,
  primary key (shop, account),
  foreign key (shop, account) references membership (shop, account) on delete cascade
);

-- Records from other installations, as they came, once they were verified.
create table foreign_record (
  shop uuid not null references shop,
  run uuid not null,
  vin text not null,
  number text not null,
  joint text not null,
  from_shop text not null,
  fingerprint text not null,
  body text not null,
  person uuid not null,
  at timestamptz not null,
  primary key (shop, run),
  foreign key (shop, person) references membership (shop, account)
);
create index foreign_record_vin on foreign_record (shop, vin);

create function find_feed(wanted bytea) returns table (shop uuid, account uuid)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select f.shop, f.account from feed f where f.token_hash = wanted $$;
grant create on schema public to stennet_door;
alter function find_feed(bytea) owner to stennet_door;
revoke create on schema public from stennet_door;
grant select on feed to stennet_door;
create policy door on feed for select to stennet_door using (true);
revoke all on function find_feed(bytea) from public;
grant execute on function find_feed(bytea) to stennet_app;

do $$
declare t text;
begin
  foreach t in array array['signed_word', 'wrench_use', 'follow_up', 'feed', 'foreign_record'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
end $$;

grant select, insert on signed_word, foreign_record to stennet_app;
grant select, insert, update on wrench_use to stennet_app;
grant select, insert on follow_up to stennet_app;
grant update (due_on, state, note, seen_km, person, settled_at, version) on follow_up to stennet_app;
grant select, insert, delete on feed to stennet_app;
grant update (signing) on run to stennet_app;
grant update (second_signature) on shop to stennet_app;

-- One run as a line of history. What it shows is held by the rules of who asks, not of who made it.
create view run_line with (security_invoker = true) as
select u.shop, u.id as run, o.id as "order", o.number, o.customer, o.vehicle, o.vin, t.name as joint, u.part, nullif(u.instance, '') as instance,
  u.state, u.signing, u.sheet, u.revision, r.title, r.engine, r.kind, u.last_at
from run u
join joint t on t.shop = u.shop and t.id = u.joint
join job j on j.shop = t.shop and j.id = t.job
join repair_order o on o.shop = j.shop and o.id = j.repair_order
join sheet_revision r on r.shop = u.shop and r.sheet = u.sheet and r.revision = u.revision;
grant select on run_line to stennet_app;

-- For whoever checks records from the command line: which shops there are. Nobody else may ask.
create function shop_ids() returns table (shop uuid)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select s.shop from shop s $$;
grant create on schema public to stennet_door;
alter function shop_ids() owner to stennet_door;
revoke create on schema public from stennet_door;
revoke all on function shop_ids() from public;
grant execute on function shop_ids() to stennet_owner;
