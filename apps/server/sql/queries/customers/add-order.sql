-- A new order. $1 number, $2 customer, $3 what it says, $4 account. One.
INSERT INTO customer_order (number, customer_id, body, changed_by) VALUES ($1, $2, $3, $4) RETURNING id
