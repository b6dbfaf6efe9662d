-- What digital wrenches saw of pulls, named by their hash: the pull's event names it, so that it cannot be exchanged.
create table trace (
  shop uuid not null references shop,
  trace text not null,
  body text not null,
  person uuid not null,
  at timestamptz not null,
  primary key (shop, trace)
);
alter table trace enable row level security;
alter table trace force row level security;
create policy own_shop on trace using (shop = current_shop()) with check (shop = current_shop());
grant select, insert on trace to stennet_app;
