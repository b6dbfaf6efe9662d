-- in: sheets named beside this one, this sheet, its revision. out: body, status, superseded_by; the newest that stands of each, and the other revisions of this one.
select body, status, superseded_by from (
  select distinct on (sheet) sheet, revision, body, status, superseded_by from sheet_revision where shop = current_shop() and sheet = any($1::text[]) order by sheet, status, revision desc
) named
union all
select body, status, superseded_by from sheet_revision where shop = current_shop() and sheet = $2 and revision <> $3
limit 12
