-- Keeps how a lot changed. $1 lot, $2 quantity before, $3 after (sheets or rolls), $4 reason, $5 account, $6 place before, $7 after. None.
INSERT INTO holding_change (holding_id, quantity_before, quantity_after, reason, changed_by, place_before, place_after)
VALUES ($1, $2, $3, $4, $5, $6, $7)
