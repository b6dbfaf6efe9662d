-- in: person, or null for everybody. out: practice runs, the latest first.
select a.id, a.person, a.exercise, a.sheet, a.revision, s.title, a.passed, a.better, to_char(a.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
from practice_attempt a left join sheet_revision s on s.shop = a.shop and s.sheet = a.sheet and s.revision = a.revision
where a.shop = current_shop() and ($1::uuid is null or a.person = $1) order by a.at desc, a.id limit 1000
