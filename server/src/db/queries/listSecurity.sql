-- in: how many. out: what happened at the door, the last first.
select e.at, e.kind, w.name as who, a.name as about, e.address, e.device from security_event e
left join membership w on w.shop = e.shop and w.account = e.person
left join membership a on a.shop = e.shop and a.account = e.about
where e.shop = current_shop() order by e.at desc limit $1
