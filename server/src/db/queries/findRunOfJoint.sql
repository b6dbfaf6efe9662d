-- in: joint. out: state of its run, if it has one.
select state from run where shop = current_shop() and joint = $1
