-- in: place, how many. out: the lines of the shop's journal after that place
select place, body, hash, seal from journal where shop = current_shop() and place > $1 order by place limit $2
