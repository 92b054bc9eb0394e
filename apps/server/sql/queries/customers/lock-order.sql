-- An order, held until the transaction ends. $1 id. One or none.
SELECT version, customer_id AS customer FROM customer_order WHERE id = $1 FOR UPDATE
