-- in: this sheet, its maker, its engine, threads with their classes. out: body, status, superseded_by of what stands: of this engine, of this maker, of these threads; the nearest first.
select body, status, superseded_by from (
  select distinct on (sheet) body, status, superseded_by, near from (
    (select sheet, body, status, superseded_by, 1 as near from sheet_revision
      where shop = current_shop() and status = 'approved' and sheet <> $1 and maker = $2 and engine = $3 limit 12)
    union all
    (select sheet, body, status, superseded_by, 2 from sheet_revision
      where shop = current_shop() and status = 'approved' and sheet <> $1 and maker = $2 limit 12)
    union all
    (select sheet, body, status, superseded_by, 3 from sheet_revision
      where shop = current_shop() and status = 'approved' and sheet <> $1 and threads && $4::text[] limit 24)
  ) found
  order by sheet, near
) beside
order by near
limit 36
