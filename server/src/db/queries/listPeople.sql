-- out: who works here, to put names to ids.
select account as id, name from membership where shop = current_shop()
