-- in: whether every record is signed by a second person, time zone, minutes without a touch, months for which customers are kept.
update shop set second_signature = $1, time_zone = $2, idle_minutes = $3, retention_months = $4 where shop = current_shop()
