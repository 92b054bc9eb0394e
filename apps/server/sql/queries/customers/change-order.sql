-- Writes over an order. $1 id, $2 number, $3 what it says, $4 account. None.
UPDATE customer_order SET number = $2, body = $3, version = version + 1, changed_by = $4, changed_at = now() WHERE id = $1
