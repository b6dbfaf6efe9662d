-- in: sheets. out: sheet, body, status, superseded_by of every revision of them.
select sheet, body, status, superseded_by from sheet_revision where shop = current_shop() and sheet = any($1::text[])
