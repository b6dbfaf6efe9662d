-- in: device, person. out: name, the device's secret and the PIN, both as hashes; no row where they are not enrolled there.
select m.name, e.secret_hash, p.hash
from enrolment e
join membership m on m.shop = e.shop and m.account = e.account
left join pin p on p.shop = e.shop and p.account = e.account
where e.shop = current_shop() and e.device = $1 and e.account = $2
