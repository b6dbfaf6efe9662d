-- in: shop, joint, job, name, sheet, revision. Behind the other joints of the job.
insert into joint select $1, $2, $3, $4, coalesce(max(place) + 1, 0), $5, $6 from joint where shop = $1 and job = $3
