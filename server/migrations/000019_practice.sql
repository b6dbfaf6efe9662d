-- Practice: runs on a simulated joint, and which exercises a role has to have passed before it tightens a kind of joint.
-- A practice run has an id of its own kind, version 8 of a UUID. It fits in its own table alone, and nothing else fits there: no code can put practice on a repair order, a record, a wrench's history or a statistic.
create function is_practice(id uuid) returns boolean language sql immutable strict parallel safe
  as $$ select substr(id::text, 15, 1) = '8' $$;

create table practice_attempt (
  shop uuid not null,
  id uuid not null constraint only_practice check (is_practice(id)),
  person uuid not null,
  exercise text,
  sheet text,
  revision text,
  passed boolean not null,
  better text,
  at timestamptz not null,
  -- What was done, from which it is judged again: core's PracticeLog.
  log text not null,
  primary key (shop, id),
  foreign key (shop, person) references membership (shop, account),
  check ((exercise is null) <> (sheet is null)),
  check ((sheet is null) = (revision is null))
);
create index practice_attempt_of_person on practice_attempt (shop, person, at desc);
create index practice_attempt_passed on practice_attempt (shop, person, exercise) where passed;

create table practice_rule (
  shop uuid not null references shop,
  role text not null check (role in ('lead', 'technician')),
  kind text not null,
  exercise text not null,
  person uuid not null,
  at timestamptz not null,
  primary key (shop, role, kind, exercise),
  foreign key (shop, person) references membership (shop, account)
);

do $$
declare t text;
begin
  foreach t in array array['practice_attempt', 'practice_rule'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
  foreach t in array array['repair_order', 'job', 'joint', 'order_entry', 'run', 'follow_up'] loop
    execute format('alter table %I add constraint no_practice check (not is_practice(id))', t);
  end loop;
  foreach t in array array['run_event', 'statement', 'signed_word', 'wrench_use', 'foreign_record', 'late_event'] loop
    execute format('alter table %I add constraint no_practice check (not is_practice(run))', t);
  end loop;
end $$;
grant select, insert on practice_attempt to stennet_app;
grant select, insert, delete on practice_rule to stennet_app;
