-- Tells how far a plan is; none where it was begun again meanwhile. $1 id, $2 which time it was begun, $3 tried, $4 schedule. One or none.
UPDATE floor_run SET tried = $3, schedule_id = coalesce((SELECT id FROM floor_schedule WHERE id = $4 FOR KEY SHARE), schedule_id), seen_at = now()
WHERE id = $1 AND begun = $2 AND state = 'running'
RETURNING ends
