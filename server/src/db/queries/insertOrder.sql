-- in: shop, id, number, vehicle, odometer, its unit, customer, concern, bay, promised, contact, person, at. A number that is there breaks repair_order_shop_number_key.
insert into repair_order (shop, id, number, vehicle, odometer_value, odometer_unit, customer, concern, bay, promised_at, state, version, opened_at, changed_by, changed_at, contact)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, 'open', 1, $13, $12, $13, $11)
on conflict (shop, id) do nothing
