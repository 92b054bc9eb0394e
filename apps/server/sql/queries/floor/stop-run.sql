-- Asks a plan to end with what it has; one that waits is not begun. $1 id. One or none.
UPDATE floor_run SET ends = true, state = CASE WHEN state = 'waiting' THEN 'done' ELSE state END
WHERE id = $1 AND state IN ('waiting', 'running')
RETURNING id
