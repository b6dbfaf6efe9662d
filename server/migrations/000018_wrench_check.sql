-- Checks of torque wrenches against a reference; body is core's WrenchCheck, verdict what the server made of it. Never changed.
create table wrench_check (
  shop uuid not null,
  id uuid not null,
  wrench uuid not null,
  day date not null,
  verdict text not null check (verdict in ('within', 'unsure', 'outside')),
  body text not null,
  person uuid not null,
  at timestamptz not null,
  primary key (shop, id),
  foreign key (shop, wrench) references shop_tool (shop, id),
  foreign key (shop, person) references membership (shop, account)
);
create index wrench_check_of_wrench on wrench_check (shop, wrench, day desc);
alter table wrench_check enable row level security;
alter table wrench_check force row level security;
create policy own_shop on wrench_check using (shop = current_shop()) with check (shop = current_shop());
grant select, insert on wrench_check to stennet_app;
