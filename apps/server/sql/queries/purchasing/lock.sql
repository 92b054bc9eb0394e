-- An order to a supplier, held until the transaction ends. $1 id. One or none.
SELECT version, number, supplier_id AS supplier, state, body FROM purchase WHERE id = $1 FOR UPDATE
