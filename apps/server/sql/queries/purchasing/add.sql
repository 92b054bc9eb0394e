-- A new order to a supplier, a draft. $1 number, $2 supplier, $3 what it says, $4 account. One.
INSERT INTO purchase (number, supplier_id, body, changed_by) VALUES ($1, $2, $3, $4) RETURNING id
