-- in: vehicle number. out: the vehicle as the newest repair order has it.
select vehicle from repair_order where shop = current_shop() and upper(vehicle ->> 'vin') = $1 order by number desc limit 1
