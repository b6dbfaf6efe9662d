-- in: what is sent, person. out: the pieces there are.
select start, bytes from photo_piece where shop = current_shop() and sent = $1 and person = $2 order by start
