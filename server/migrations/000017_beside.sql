-- Thread and class of each group of fasteners, as `M10 10.9`: a draft is compared with all of its kind.
create function threads_of(body text) returns text[]
  language sql immutable strict
  as $$
  select coalesce(array_agg(distinct (g -> 'thread' ->> 'designation') || ' ' || (g ->> 'propertyClass')), '{}')
  from jsonb_array_elements(coalesce(body::jsonb -> 'groups', '[]'::jsonb)) g
$$;
alter table sheet_revision add column threads text[] generated always as (threads_of(body)) stored;
create index sheet_revision_threads on sheet_revision using gin (threads);
