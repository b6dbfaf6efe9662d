-- in: shop, id, kind, name, body, version that was seen (0: new), retired, person, at. No row: changed in the meantime.
insert into shop_tool as t values ($1, $2, $3, $4, $5, $6::integer + 1, $7, $8, $9)
on conflict (shop, id) do update set kind = excluded.kind, name = excluded.name, body = excluded.body, version = excluded.version,
  retired = excluded.retired, changed_by = excluded.changed_by, changed_at = excluded.changed_at
where t.version = $6::integer
