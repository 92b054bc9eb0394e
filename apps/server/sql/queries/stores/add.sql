-- Adds a lot. $1 paper, $2 its key, $3 quantity (sheets or rolls), $4 place, $5 account. One.
INSERT INTO holding (paper, key, quantity, place, changed_by) VALUES ($1, $2, $3, $4, $5) RETURNING id
