-- in: behind which sheet and revision, maker, engine, kind (each or null), how many. out: sheet, revision, body, status, superseded_by.
select sheet, revision, body, status, superseded_by from sheet_revision
where shop = current_shop() and (sheet, revision) > ($1::text, $2::text)
  and ($3::text is null or maker = $3) and ($4::text is null or engine = $4) and ($5::text is null or kind = $5)
order by sheet, revision limit $6
