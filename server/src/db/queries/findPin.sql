-- in: person. out: name, role and PIN's hash of a member of the shop.
select m.name, m.role, p.hash from membership m left join pin p on p.shop = m.shop and p.account = m.account
where m.shop = current_shop() and m.account = $1
