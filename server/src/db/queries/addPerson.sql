-- in: id, name, its key, its look, password hash, role. out: whether the name was free.
select add_person($1, $2, $3, $4, $5, $6) as added
