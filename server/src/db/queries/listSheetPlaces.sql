-- in: –. out: maker, engine, kind, sheets: the way to a sheet by tapping.
select maker, engine, kind, count(distinct sheet)::int as sheets from sheet_revision where shop = current_shop() and status <> 'superseded' group by maker, engine, kind order by maker, engine, kind limit 2000
