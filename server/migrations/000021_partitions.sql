-- The tables that grow with every pull, every change and every picture lie in sixteen parts by shop: vacuum, indexes and copies work on a
-- part at a time, and one shop's rows are in one. The parts have a schema of their own, where the server has no business.
create schema part;

create function split_by_shop(t text) returns void language plpgsql as $$
declare
  kept record;
  parts constant integer := 16;
begin
  create temp table constraint_kept on commit drop as
    select conname, contype, pg_get_constraintdef(oid) as def from pg_constraint where conrelid = t::regclass and contype in ('p', 'u', 'f');
  execute format('alter table %I rename to %I', t, t || '_whole');
  execute format('create table %I (like %I including defaults including constraints including storage) partition by hash (shop)', t, t || '_whole');
  for i in 0 .. parts - 1 loop
    execute format('create table part.%I partition of public.%I for values with (modulus %s, remainder %s)', t || '_' || i, t, parts, i);
    execute format('alter table part.%I enable row level security', t || '_' || i);
    execute format('alter table part.%I force row level security', t || '_' || i);
  end loop;
  -- Without a policy yet, and before the rules of the owner hold: all rows of all shops.
  execute format('alter table %I no force row level security', t || '_whole');
  execute format('insert into %I select * from %I', t, t || '_whole');
  execute format('drop table %I', t || '_whole');
  for kept in select * from constraint_kept order by contype = 'f', contype <> 'p' loop
    execute format('alter table %I add constraint %I %s', t, kept.conname, kept.def);
  end loop;
  drop table constraint_kept;
  execute format('alter table %I enable row level security', t);
  execute format('alter table %I force row level security', t);
  execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  execute format('grant select, insert on %I to stennet_app', t);
end $$;

select split_by_shop('run_event'), split_by_shop('journal'), split_by_shop('trace'), split_by_shop('photo');
drop function split_by_shop(text);

grant select on journal to stennet_door;
create policy door on journal for select to stennet_door using (true);
