-- in: what was sent, person, before when. Done with, or left lying.
delete from photo_piece where shop = current_shop() and (sent = $1 and person = $2 or at < $3)
