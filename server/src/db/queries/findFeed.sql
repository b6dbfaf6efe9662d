-- in: person. out: a row where this person has a private calendar address.
select 1 from feed where shop = current_shop() and account = $1
