-- The schedule in force, or the newest trial after it. $1 state. One or none.
SELECT s.id, s.state, s.basis, s.body AS plan, a.name AS by, iso(s.made_at) AS at
FROM floor_schedule s JOIN account a ON a.id = s.made_by
WHERE s.state = $1 AND (s.state <> 'trial' OR s.id > coalesce((SELECT id FROM floor_schedule WHERE state = 'in force'), 0))
ORDER BY s.id DESC LIMIT 1
