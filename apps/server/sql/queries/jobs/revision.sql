-- One revision, or the newest. $1 job, $2 revision or null. One or none.
SELECT r.revision, r.state, r.version, r.body, r.works, r.changed_at, a.name AS changed_by
FROM revision r JOIN account a ON a.id = r.changed_by
WHERE r.job_id = $1 AND ($2::integer IS NULL OR r.revision = $2)
ORDER BY r.revision DESC LIMIT 1
