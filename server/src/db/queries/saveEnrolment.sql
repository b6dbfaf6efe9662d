-- in: shop, device, person, hash of the device's secret, now.
insert into enrolment (shop, device, account, secret_hash, at) values ($1, $2, $3, $4, $5)
