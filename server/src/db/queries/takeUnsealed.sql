-- out: by shop, what this transaction has changed in guarded rows, in order, which is not there any more afterwards; and the end of the shop's journal,
-- in which no one else writes until this transaction ends. Null: it has not begun.
select shop, changes, place, hash, key from take_unsealed_to_seal()
