-- Keeps how a lot changed. $1 lot, $2 quantity before, $3 after (sheets or rolls), $4 reason, $5 account. None.
INSERT INTO holding_change (holding_id, quantity_before, quantity_after, reason, changed_by) VALUES ($1, $2, $3, $4, $5)
