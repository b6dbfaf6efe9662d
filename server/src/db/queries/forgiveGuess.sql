-- in: keys that are forgotten, keys of which only this try is taken back, the moment it was counted at.
select forgive_guess($1, $2, $3)
