-- in: sheets, revisions (pairs by place). out: sheet, revision, body, status, superseded_by.
select sheet, revision, body, status, superseded_by from sheet_revision
where shop = current_shop() and (sheet, revision) in (select * from unnest($1::text[], $2::text[])) order by sheet, revision
