-- Records what was called off. $1 lot, $2 pieces, $3 destination, $4 transit days, $5 due date or null, $6 account. None.
INSERT INTO call_off (lot_id, pieces, destination, transit_days, due, called_by) VALUES ($1, $2, $3, $4, $5, $6)
