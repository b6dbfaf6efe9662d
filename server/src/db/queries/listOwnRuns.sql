-- in: repair order, person. out: each run of the order that this person made entries in, and whether someone else has signed it.
select u.id, exists (
  select 1 from signed_word w where w.shop = u.shop and w.run = u.id and w.kind in ('technician', 'second') and w.person <> $2
) as signed_by_another
from run u
join joint t on t.shop = u.shop and t.id = u.joint
join job j on j.shop = t.shop and j.id = t.job
where u.shop = current_shop() and j.repair_order = $1
  and ($2 = any (u.away_hands) or exists (select 1 from run_event e where e.shop = u.shop and e.run = u.id and e.person = $2 and e.type in ('pulled', 'passConfirmed', 'roundDone')))
