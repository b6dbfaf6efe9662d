-- in: –. out: leads: how many the shop has.
select count(*)::int as leads from membership where shop = current_shop() and role = 'lead'
