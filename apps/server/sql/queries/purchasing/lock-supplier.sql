-- A supplier, held until the transaction ends. $1 id. One or none.
SELECT version, name FROM supplier WHERE id = $1 FOR UPDATE
