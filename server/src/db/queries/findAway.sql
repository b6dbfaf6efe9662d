-- in: run. out: how long each of its entries had lain on the device, where its list was put away; no row where it was not.
select away_late::double precision[] as late from run where shop = current_shop() and id = $1 and away_at is not null
