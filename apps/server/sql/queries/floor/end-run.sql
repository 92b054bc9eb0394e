-- Ends a plan. $1 id, $2 which time it was begun, $3 tried, $4 schedule, $5 what went wrong. One or none.
UPDATE floor_run
SET state = CASE WHEN $5::text IS NULL THEN 'done' ELSE 'failed' END, tried = $3, schedule_id = coalesce((SELECT id FROM floor_schedule WHERE id = $4 FOR KEY SHARE), schedule_id), problem = $5
WHERE id = $1 AND begun = $2 AND state = 'running'
RETURNING id
