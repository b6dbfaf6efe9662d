-- in: whether every record is signed by a second person.
update shop set second_signature = $1 where shop = current_shop()
