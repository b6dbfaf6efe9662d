-- in: id, version that was seen, state, person, at. No row: changed in the meantime.
update repair_order set state = $3, version = version + 1, changed_by = $4, changed_at = $5
where shop = current_shop() and id = $1 and version = $2
