-- in: joint, what of its sheet was tightened again, person, now.
update follow_up set state = 'done', person = $3, settled_at = $4, version = version + 1
where shop = current_shop() and joint = $1 and after = $2 and state = 'open'
