-- in: shop, sheet, revision, title, body, hash, status, maker, engine, kind, brief, superseded by, editor, approver, approved at, change. A revision that stands is left as it is.
insert into sheet_revision (shop, sheet, revision, title, body, hash, status, maker, engine, kind, brief, superseded_by, edited_by, approved_by, approved_at, change)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16) on conflict do nothing
