-- in: run, moment, how long each entry had lain on its device, whose hand was on it. The run's list now lies in its record file.
update run set away_at = $2, away_late = $3::bigint[], away_hands = $4::uuid[] where shop = current_shop() and id = $1
