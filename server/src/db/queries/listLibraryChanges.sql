-- in: behind which change, sheet, revision; how many. out: sheet, revision, body, status, superseded_by, change; in the order of change.
select sheet, revision, body, status, superseded_by, change::text from sheet_revision
where shop = current_shop() and (change, sheet, revision) > ($1::bigint, $2::text, $3::text)
order by sheet_revision.change, sheet, revision limit $4
