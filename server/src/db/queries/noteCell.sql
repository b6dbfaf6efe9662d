-- in: key of a name, how it looks, cell. A name that is there stays where it is.
insert into account_cell values ($1, $2, $3) on conflict do nothing
