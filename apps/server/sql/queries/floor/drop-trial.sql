-- Lets a trial go. $1 schedule. One or none.
DELETE FROM floor_schedule WHERE id = $1 AND state = 'trial' RETURNING id
