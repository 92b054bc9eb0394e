-- Says what has become of an order to a supplier. $1 id, $2 state, $3 reason or null, $4 account. None.
UPDATE purchase SET state = $2, reason = $3, version = version + 1, changed_by = $4, changed_at = now() WHERE id = $1
