-- in: run. out: a record from elsewhere, as it came, who brought it in, when.
select f.body, to_json(f.at) as at, m.name as by from foreign_record f join membership m on m.shop = f.shop and m.account = f.person where f.shop = current_shop() and f.run = $1
