-- out: the last line of the shop's journal
select place, hash, seal, body from journal where shop = current_shop() order by place desc limit 1
