-- in: run, person, when. Before today it was started: what belongs around that was looked at.
update follow_up set state = 'done', person = $2, settled_at = $3, version = 2
where kind in ('beforeFirstStart', 'afterFirstStart') and joint = (select joint from run where id = $1)
