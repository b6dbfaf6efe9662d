-- in: person, role, whether they are here. out: a row where they belong to the shop.
update membership set role = $2, active = $3 where shop = current_shop() and account = $1 returning name
