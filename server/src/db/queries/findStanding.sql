-- in: sheet, revision. out: status.
select status from sheet_revision where shop = current_shop() and sheet = $1 and revision = $2
