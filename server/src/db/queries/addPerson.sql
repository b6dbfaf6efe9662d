-- in: id, name, password hash, role. out: whether the name was free.
select add_person($1, $2, $3, $4) as added
