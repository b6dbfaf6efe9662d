-- in: run. out: its joint, pinned sheet and the head of its chain.
select u.joint, u.part, u.instance, u.head_hash, s.body as sheet, s.hash as sheet_hash, s.superseded_by
from run u join sheet_revision s on s.shop = u.shop and s.sheet = u.sheet and s.revision = u.revision
where u.shop = current_shop() and u.id = $1
