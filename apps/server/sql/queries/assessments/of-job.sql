-- What the newest revision of a job comes to, if it has been reckoned. $1 job. One or none.
SELECT r.revision, r.version, r.state, a.version AS assessed, a.basis, a.body
FROM revision r LEFT JOIN assessment a ON a.job_id = r.job_id AND a.revision = r.revision
WHERE r.job_id = $1 ORDER BY r.revision DESC LIMIT 1
