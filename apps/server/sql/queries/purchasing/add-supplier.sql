-- A new supplier. $1 name, $2 supplier, $3 account. One.
INSERT INTO supplier (name, body, changed_by) VALUES ($1, $2, $3) RETURNING id
