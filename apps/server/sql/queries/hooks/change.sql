-- Changes an address that is told. $1 it, $2 name, $3 address, $4 events, $5 paused. One or none.
UPDATE hook SET name = $2, url = $3, events = $4, paused = $5 WHERE id = $1 RETURNING id
