-- A schedule, whatever its state. $1 id. One or none.
SELECT s.id, s.state, s.body AS plan, a.name AS by, iso(s.made_at) AS at
FROM floor_schedule s JOIN account a ON a.id = s.made_by
WHERE s.id = $1
