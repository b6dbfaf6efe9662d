-- in: order. out: how many orders of this customer and vehicle were erased; 0 where it is not handed over.
select erase_customer($1)::integer as erased
