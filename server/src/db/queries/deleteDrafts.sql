-- in: sheets. Their drafts are no more.
delete from sheet_draft where shop = current_shop() and sheet = any($1::text[])
