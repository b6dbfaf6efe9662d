-- in: run and what its list has come to.
update run set state = $2, holder_person = $3, holder_device = $4, holder_device_name = coalesce($5, holder_device_name), hold = $6,
  last_seq = $7, last_position = $8, head_hash = $9, last_at = $10, standing = $11, hold_key_hash = $12
where shop = current_shop() and id = $1
