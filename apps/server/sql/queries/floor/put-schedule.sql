-- A trial is better than it was. $1 id, $2 body. One or none.
UPDATE floor_schedule SET body = $2 WHERE id = $1 AND state = 'trial'
RETURNING id
