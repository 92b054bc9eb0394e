-- What the planner has fixed of stations. Many.
SELECT p.job_id AS job, p.step, p.machine, p.start_at AS start, p.reason, a.name AS by, iso(p.pinned_at) AS at
FROM floor_pin p JOIN account a ON a.id = p.pinned_by
ORDER BY p.job_id, p.step COLLATE "C"
