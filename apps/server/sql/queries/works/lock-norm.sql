-- The changed value of a norm, locked. $1 norm. One or none.
SELECT value FROM norm WHERE id = $1 FOR UPDATE
