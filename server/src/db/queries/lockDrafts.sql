-- in: sheets. out: their drafts, held until the transaction ends.
select sheet, body, version, editor, title, imported from sheet_draft where shop = current_shop() and sheet = any($1::text[]) order by sheet for update
