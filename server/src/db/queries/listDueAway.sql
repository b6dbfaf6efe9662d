-- in: moment, run, how many. out: signed runs that were last written before it and are not put away, after that run.
select id as run from run where shop = current_shop() and signing = 'signed' and away_at is null and last_at < $1 and id > $2 order by id limit $3
