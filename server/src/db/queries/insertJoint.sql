-- in: shop, joint, job, name, sheet, revision. Behind the other joints of the job. Sent again, nothing changes; no row: another joint has this id.
insert into joint select $1, $2, $3, $4, coalesce(max(place) + 1, 0), $5, $6 from joint where shop = $1 and job = $3
on conflict (shop, id) do update set sheet = joint.sheet where joint.job = excluded.job and joint.name = excluded.name
