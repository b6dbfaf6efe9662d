-- in: hash. out: the photo.
select bytes from photo where shop = current_shop() and photo = $1
