-- in: run, hash of the sheet that is known or null. out: the run's head with its pinned sheet (without its body where that hash is the known one), locked until
-- the transaction ends; no row when there is none.
select u.joint, u.state, u.signing, u.last_position, u.head_hash, u.hold_key_hash, case when s.hash = $2 then null else s.body end as sheet, s.hash as sheet_hash
from run u join sheet_revision s on s.shop = u.shop and s.sheet = u.sheet and s.revision = u.revision
where u.shop = current_shop() and u.id = $1
for update of u
