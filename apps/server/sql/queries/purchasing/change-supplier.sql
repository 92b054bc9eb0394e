-- Writes over a supplier. $1 id, $2 name, $3 supplier, $4 account. None.
UPDATE supplier SET name = $2, body = $3, version = version + 1, changed_by = $4, changed_at = now() WHERE id = $1
