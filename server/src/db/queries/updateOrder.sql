-- in: id, version that was seen, number, vehicle, odometer, its unit, customer, concern, bay, promised, contact, person, at. No row: changed in the meantime.
update repair_order set number = $3, vehicle = $4, odometer_value = $5, odometer_unit = $6, customer = $7, concern = $8, bay = $9, promised_at = $10,
  version = version + 1, contact = $11, changed_by = $12, changed_at = $13
where shop = current_shop() and id = $1 and version = $2
