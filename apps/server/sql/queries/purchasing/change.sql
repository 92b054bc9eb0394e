-- Writes over an order to a supplier. $1 id, $2 number, $3 supplier, $4 what it says, $5 account. None.
UPDATE purchase SET number = $2, supplier_id = $3, body = $4, version = version + 1, changed_by = $5, changed_at = now() WHERE id = $1
