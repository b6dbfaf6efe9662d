-- in: shop, sheet, revision, title, maker, engine, kind, based on, body, version, imported, errors, warnings, editor, edited at. A draft that is there is replaced.
insert into sheet_draft values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15)
on conflict (shop, sheet) do update set revision = excluded.revision, title = excluded.title, maker = excluded.maker, engine = excluded.engine, kind = excluded.kind,
  body = excluded.body, version = excluded.version, errors = excluded.errors, warnings = excluded.warnings, editor = excluded.editor, edited_at = excluded.edited_at
