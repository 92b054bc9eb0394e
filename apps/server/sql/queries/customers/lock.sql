-- A customer, held until the transaction ends. $1 id. One or none.
SELECT version, body AS customer FROM customer WHERE id = $1 FOR UPDATE
