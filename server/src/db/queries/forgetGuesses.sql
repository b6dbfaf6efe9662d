-- in: what was guessed at: its counter and those of every place are forgotten.
select forget_guesses($1)
