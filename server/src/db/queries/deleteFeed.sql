-- in: person. Ends their private calendar address.
delete from feed where shop = current_shop() and account = $1
