-- in: sheets. out: sheet, body of their drafts.
select sheet, body from sheet_draft where shop = current_shop() and sheet = any($1::text[])
