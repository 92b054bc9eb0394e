-- What was decided of proposals, newest first. Many, 100 at most.
SELECT d.norm, d.taken, d.value_before AS before, d.value_proposed AS value, d.reason, a.name AS by, iso(d.decided_at) AS at
FROM norm_decision d JOIN account a ON a.id = d.decided_by ORDER BY d.id DESC LIMIT 100
