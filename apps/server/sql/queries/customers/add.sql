-- A new customer. $1 name, $2 customer, $3 account. One.
INSERT INTO customer (name, body, changed_by) VALUES ($1, $2, $3) RETURNING id
