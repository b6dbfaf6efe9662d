-- Which cell a person's shops are in. Asked by name when someone signs in, and when someone is added; by nothing else.
create table account_cell (
  name_key text primary key,
  name_look text not null unique,
  cell text not null
);
grant select, insert on account_cell to stennet_app;
