-- in: hashes. out: those that are kept, as canonical JSON.
select trace, body from trace where shop = current_shop() and trace = any($1::text[])
