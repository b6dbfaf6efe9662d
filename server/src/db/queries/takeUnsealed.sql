-- out: what this transaction has changed in guarded rows, in order; it is not there any more afterwards
select shop, "table", key, label, of, digest from take_unsealed()
