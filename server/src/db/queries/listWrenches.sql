-- out: the shop's wrenches.
select id, name, kind, unit, min, max, graduation, to_char(calibrated_until, 'YYYY-MM-DD') as "calibratedUntil"
from wrench where shop = current_shop() order by name
