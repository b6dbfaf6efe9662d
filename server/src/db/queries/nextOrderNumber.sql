-- out: one above the highest plain number of the shop.
select coalesce(max(number::bigint), 100) + 1 as number from repair_order where shop = current_shop() and number ~ '^[0-9]{1,9}$'
