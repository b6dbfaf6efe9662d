-- in: run. out: what was signed of it, in order.
select body, signature from signed_word where shop = current_shop() and run = $1 order by place
