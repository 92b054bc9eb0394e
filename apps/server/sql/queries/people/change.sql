-- Changes an account. $1 id, $2 name, $3 role, $4 whether it is disabled. One or none.
UPDATE account SET name = $2, role = $3, disabled_at = CASE WHEN $4 THEN coalesce(disabled_at, now()) END WHERE id = $1 RETURNING id
