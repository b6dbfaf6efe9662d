-- in: –. out: standing: how many sheets the shop can tighten by.
select count(*)::int as standing from sheet_revision where shop = current_shop() and status = 'approved'
