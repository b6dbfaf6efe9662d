-- in: shop, forms, the word of each.
insert into word_form select $1, f, w from unnest($2::text[], $3::text[]) x (f, w) order by f, w on conflict do nothing
