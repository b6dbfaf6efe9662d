-- out: which exercises each role has to have passed before it tightens a kind of joint.
select role, kind, exercise from practice_rule where shop = current_shop() order by kind, role, exercise
