-- in: person. out: how many other leads there are, locked until the transaction ends.
select count(*)::integer as n from (select 1 from membership where shop = current_shop() and role = 'lead' and active and account <> $1 for update) l
