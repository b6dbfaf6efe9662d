-- in: key of a name. out: the cell of that person's shops; no row: there is no one of that name.
select cell from account_cell where name_key = $1
