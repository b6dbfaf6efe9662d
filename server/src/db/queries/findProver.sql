-- in: session, person. out: what entries of that session are proved with, and the person's role; no row where they have left.
select s.entry_key, m.role from session s join membership m on m.shop = s.shop and m.account = s.account and m.active
where s.shop = current_shop() and s.id = $1 and s.account = $2
