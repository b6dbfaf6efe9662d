-- in: joint. out: its runs: what they lead, how far they are, what they left out.
select part, nullif(instance, '') as instance, state, standing from run where shop = current_shop() and joint = $1
