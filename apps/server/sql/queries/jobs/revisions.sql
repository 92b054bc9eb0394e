-- Revisions of a job, newest first. $1 job. Many.
SELECT r.revision, r.state, r.changed_at, a.name AS changed_by, r.released_at, b.name AS released_by
FROM revision r JOIN account a ON a.id = r.changed_by LEFT JOIN account b ON b.id = r.released_by
WHERE r.job_id = $1 ORDER BY r.revision DESC
