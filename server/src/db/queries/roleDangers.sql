-- out: what would let the connected role see past row-level security; empty strings and false when it is harmless.
select r.rolsuper as superuser, r.rolbypassrls as bypasses,
  exists (select 1 from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where n.nspname = 'public' and c.relkind in ('r', 'p') and pg_has_role(current_user, c.relowner, 'member')) as owns
from pg_roles r where r.rolname = current_user
