-- The plan that was asked for last, as long as it is under way or has come to nothing. One or none.
SELECT r.id, r.effort, r.state, r.tried, r.problem, a.name AS by, iso(r.asked_at) AS at
FROM floor_run r JOIN account a ON a.id = r.asked_by
WHERE r.id = (SELECT max(id) FROM floor_run) AND r.state <> 'done'
