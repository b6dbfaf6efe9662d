-- in: token hash. Also clears what has run out in this shop.
delete from session where token_hash = $1 or expires_at < $2
