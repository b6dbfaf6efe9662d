-- in: shop, now, whether shops move between cells, then arrays: token hash, entries that wait on the device, run. out: for each, by its place in them, the session
-- (enterSession) and how far the run has come, locked until the transaction ends; no row where one of them is not there. err: 55P03, someone else is writing in
-- one of the runs.
select k.place::integer, s.*, u.signing, u.head_hash, u.hold_key_hash, r.hash as sheet_hash
from unnest($4::bytea[], $5::integer[], $6::uuid[]) with ordinality as k(token, waiting, run, place)
cross join lateral enter_session($1, k.token, $2, true, $3, k.waiting) s
join run u on u.shop = current_shop() and u.id = k.run
join sheet_revision r on r.shop = u.shop and r.sheet = u.sheet and r.revision = u.revision
for update of u nowait
