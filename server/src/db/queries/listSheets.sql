-- in: maker, engine, kind (each or null), how many. out: brief; those that stand first.
select brief || jsonb_build_object('status', status) as brief from sheet_revision
where shop = current_shop() and ($1::text is null or maker = $1) and ($2::text is null or engine = $2) and ($3::text is null or kind = $3)
order by status, title, sheet, revision
limit $4
