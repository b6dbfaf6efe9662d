-- in: sheet, the revision that stands from now on, change. Whatever stood before no longer does.
update sheet_revision set status = 'superseded', superseded_by = $2, change = $3
where shop = current_shop() and sheet = $1 and revision <> $2 and status = 'approved'
