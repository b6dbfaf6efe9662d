-- in: vin. out: what is known of a vehicle from elsewhere, the newest first.
select run, number, joint, from_shop as "from", fingerprint, to_json(at) as at from foreign_record where shop = current_shop() and vin = $1 order by at desc limit 100
