-- in: now. out: how many orders were erased because the shop keeps customers no longer than that.
select erase_due($1)::integer as erased
