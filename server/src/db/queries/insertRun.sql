-- in: shop, run, joint, sheet, revision, person, device, device name, now, part, instance or ''. err: unique run_one_per_place.
insert into run (shop, id, joint, sheet, revision, state, holder_person, holder_device, holder_device_name, hold, last_seq, last_position, head_hash, last_at, standing, part, instance)
values ($1, $2, $3, $4, $5, 'open', $6, $7, $8, 1, 0, 0, '', $9, '{}', $10, $11)
