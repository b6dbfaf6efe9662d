-- in: vin. out: what is known of a vehicle from elsewhere, the newest first.
select f.run, f.number, f.joint, f.from_shop as "from", f.fingerprint, to_json(f.at) as at from foreign_record f where f.shop = current_shop() and f.vin = $1 order by f.at desc limit 100
