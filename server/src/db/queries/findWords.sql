-- in: typed words, near forms, whose forms (place in the first list). out: n, word, sheets, how. Each typed word's answers: itself, what begins with it, what shares a near form.
select t.n::int as n, c.word, c.sheets, 'whole' as how
  from unnest($1::text[]) with ordinality t (word, n) join word_count c on c.shop = current_shop() and c.word = t.word
union all
select t.n::int, c.word, c.sheets, 'begins'
  from unnest($1::text[]) with ordinality t (word, n)
  cross join lateral (select word, sheets from word_count where shop = current_shop() and word > t.word and word < t.word || U&'\+10FFFF' order by word limit 60) c
union all
select f.n, c.word, c.sheets, 'near'
  from unnest($2::text[], $3::int[]) f (form, n)
  join word_form w on w.shop = current_shop() and w.form = f.form
  join word_count c on c.shop = w.shop and c.word = w.word
