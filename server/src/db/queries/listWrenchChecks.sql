-- in: wrench. out: its checks, the latest first.
select c.id, to_char(c.day, 'YYYY-MM-DD') as day, c.verdict, c.body::jsonb as check, m.name as by
from wrench_check c left join membership m on m.shop = c.shop and m.account = c.person
where c.shop = current_shop() and c.wrench = $1 order by c.day desc, c.at desc limit 200
