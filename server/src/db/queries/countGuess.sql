-- in: keys, most tries, first lock, longest lock of each, now. out: until when it is locked, or null.
select count_guess($1, $2::integer[], $3::text[]::interval[], $4::text[]::interval[], $5) as until
