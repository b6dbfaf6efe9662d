-- in: shop, words. Each stands in one sheet more. Sorted, so that two who write at once never wait for each other.
insert into word_count select $1, w, 1 from unnest($2::text[]) w order by w on conflict (shop, word) do update set sheets = word_count.sheets + 1
