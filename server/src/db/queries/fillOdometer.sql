-- in: order, km. The odometer was written down after the work: what is due by distance is counted from there.
update follow_up set since_km = $2 where shop = current_shop() and repair_order = $1 and since_km is null
