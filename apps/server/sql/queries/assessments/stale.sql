-- Newest revisions that have not been reckoned as they stand, or in another works. $1 basis of today, $2 most. Many.
SELECT r.job_id AS id, r.revision
FROM (SELECT DISTINCT ON (job_id) job_id, revision, version, state FROM revision ORDER BY job_id, revision DESC) r
JOIN job j ON j.id = r.job_id AND NOT j.aside
LEFT JOIN assessment a ON a.job_id = r.job_id AND a.revision = r.revision
WHERE a.job_id IS NULL OR a.version <> r.version OR (r.state = 'draft' AND a.basis <> $1)
ORDER BY r.job_id LIMIT $2
