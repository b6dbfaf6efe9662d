-- in: person, role, kind. out: exercises that are asked for and that this person has not passed.
select r.exercise from practice_rule r where r.shop = current_shop() and r.role = $2 and r.kind = $3
  and not exists (select 1 from practice_attempt a where a.shop = r.shop and a.person = $1 and a.exercise = r.exercise and a.passed)
order by r.exercise
