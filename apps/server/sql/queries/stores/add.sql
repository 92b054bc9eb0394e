-- Adds a lot. $1 paper or null, $2 what it is otherwise or null, $3 key, $4 quantity in its unit, $5 place, $6 account. One.
INSERT INTO holding (paper, other, key, quantity, place, changed_by) VALUES ($1, $2, $3, $4, $5, $6) RETURNING id
