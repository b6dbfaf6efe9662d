-- in: –. out: change: the next number of this shop's library; held until the transaction ends, so numbers appear in order.
insert into library_state values (current_shop(), 1) on conflict (shop) do update set change = library_state.change + 1 returning change::text
