-- Notes a change of a norm. $1 norm, $2 value before, $3 value after, $4 reason, $5 account. None.
INSERT INTO norm_change (norm, value_before, value_after, reason, changed_by) VALUES ($1, $2, $3, $4, $5)
