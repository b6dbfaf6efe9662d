-- in: today. out: how much should have been done by now.
select count(*) as n from follow_up where shop = current_shop() and state = 'open' and due_on < $1::date
