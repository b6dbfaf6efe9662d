-- in: whether every record is signed by a second person, time zone, minutes without a touch.
update shop set second_signature = $1, time_zone = $2, idle_minutes = $3 where shop = current_shop()
