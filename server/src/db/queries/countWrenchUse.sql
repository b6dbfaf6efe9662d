-- in: wrench, and a day of the shop or null. out: joints and pulls with it from that day on.
select count(*)::integer as joints, coalesce(sum(u.pulls), 0)::integer as pulls
from wrench_use u join shop s on s.shop = u.shop
where u.shop = current_shop() and u.wrench = $1 and ($2::date is null or u.last_at >= $2::timestamp at time zone s.time_zone)
