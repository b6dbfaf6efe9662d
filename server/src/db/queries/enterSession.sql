-- in: shop, token hash, now, whether a hand was on it, whether shops move between cells, entries that wait on the device. out: session, person, role and
-- the shop's style; or just the cell that the shop has moved to; no row when unknown, ended, run out, not touched for too long, or the person has left.
select * from enter_session($1, $2, $3, $4, $5, $6)
