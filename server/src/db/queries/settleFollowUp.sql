-- in: follow-up, version seen, state, note, odometer km, person, now. Touches nothing where it has changed since.
update follow_up set state = $3, note = $4, seen_km = $5, person = $6, settled_at = $7, version = version + 1
where shop = current_shop() and id = $1 and version = $2
