-- in: role, kind, exercise
delete from practice_rule where shop = current_shop() and role = $1 and kind = $2 and exercise = $3
