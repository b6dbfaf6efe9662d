-- in: shop. out: null, or the cell that it has moved to. Waits while it is being moved; from here on only its rows exist.
select enter_shop($1) as cell
