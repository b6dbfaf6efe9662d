-- in: shop, sheet, revision, words, their weights.
insert into sheet_word select $1, w, $2, $3, g from unnest($4::text[], $5::float4[]) x (w, g)
