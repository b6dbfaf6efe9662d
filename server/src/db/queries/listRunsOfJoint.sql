-- in: joint. out: its runs: what they lead and how far they are.
select part, instance, state from run where shop = current_shop() and joint = $1
