-- in: words, which typed word each answers, what each says; words whose sheets are looked at, how many of each; how many; maker, engine, kind (each or null). out: brief, score; the best first.
-- Words are compared byte by byte; sheet_revision has the database's own order: said so, or its index could not be used.
with wanted as materialized (select word, n, says from unnest($1::text[], $2::int[], $3::float8[]) w (word, n, says)),
candidate as materialized (
  select distinct p.sheet, p.revision
  from unnest($4::text[]) l (word)
  cross join lateral (
    select s.sheet, s.revision from sheet_word s
    where s.shop = current_shop() and s.word = l.word and (
      coalesce($7::text, $8::text, $9::text) is null or exists (
        select from sheet_revision r
        where r.shop = current_shop() and r.sheet = s.sheet collate "default" and r.revision = s.revision collate "default"
          and ($7::text is null or r.maker = $7) and ($8::text is null or r.engine = $8) and ($9::text is null or r.kind = $9)
      )
    )
    order by s.weight desc limit $5
  ) p
),
answered as (
  select c.sheet, c.revision, w.n, max(w.says * p.weight) as says
  from candidate c
  -- the few words of each sheet, read once from their index; offset 0 keeps the planner from turning it round
  cross join lateral (
    select s.word, s.weight from sheet_word s where s.shop = current_shop() and s.sheet = c.sheet and s.revision = c.revision offset 0
  ) p
  join wanted w on w.word = p.word
  group by c.sheet, c.revision, w.n
)
select r.brief || jsonb_build_object('status', r.status) as brief, sum(a.says) * case when r.status = 'approved' then 1 else 0.7 end as score
from answered a join sheet_revision r on r.shop = current_shop() and r.sheet = a.sheet collate "default" and r.revision = a.revision collate "default"
group by r.shop, r.sheet, r.revision, r.brief, r.status
order by score desc, r.sheet, r.revision
limit $6
