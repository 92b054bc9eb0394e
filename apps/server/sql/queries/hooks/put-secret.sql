-- Another secret for an address. $1 it, $2 secret. One or none.
UPDATE hook SET secret = $2 WHERE id = $1 RETURNING id
