-- out: every shop; only the owner of the tables may ask.
select shop from shop_ids()
