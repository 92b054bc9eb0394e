-- Begins to plan, again where whoever did is lost. $1 id. One or none.
UPDATE floor_run SET state = 'running', begun = begun + 1, seen_at = now()
WHERE id = $1 AND state IN ('waiting', 'running')
RETURNING begun, effort, seed, asked_by AS account, ends
